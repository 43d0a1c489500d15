import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/trip/chart/HirePaper'),
  (file) => file.HirePaper,
);

export default function PaperRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Page hireId={hireId} />;
}
