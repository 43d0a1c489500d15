import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Turnaround = staffScreen(
  () => import('../../../../screens/turnaround/TurnaroundPage'),
  (file) => file.TurnaroundPage,
);

export default function TurnaroundRoute() {
  return <Turnaround hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
