import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/trip/levels/HireLevels'),
  (file) => file.HireLevels,
);

export default function LevelsRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Page hireId={hireId} />;
}
