import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const RulesPage = staffScreen(
  () => import('../../../../topics/fleet/RulesPage'),
  (file) => file.RulesPage,
);

export default function RulesRoute() {
  const { rulesId } = useLocalSearchParams<{ rulesId: string }>();
  return <RulesPage rulesId={rulesId} />;
}
