import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Compare = staffScreen(
  () => import('../../../../topics/findings/Compare'),
  (file) => file.Compare,
);

export default function CompareRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Compare hireId={hireId} />;
}
