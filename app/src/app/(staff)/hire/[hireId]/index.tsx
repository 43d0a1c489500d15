import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Hire = staffScreen(
  () => import('../../../../topics/booking/Hire'),
  (file) => file.Hire,
);

export default function HireRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Hire hireId={hireId} />;
}
