import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Turnaround = staffScreen(
  () => import('../../../../topics/turnaround/TurnaroundPage'),
  (file) => file.TurnaroundPage,
);

export default function TurnaroundRoute() {
  return <Turnaround hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
