import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../../topics/drill/DrillPage'),
  (file) => file.DrillPage,
);

export default function DrillRoute() {
  const { hireId, drillId } = useLocalSearchParams<{ hireId: string; drillId: string }>();
  return <Page hireId={hireId} drillId={drillId} />;
}
