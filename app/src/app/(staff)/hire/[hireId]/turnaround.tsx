import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Turnaround = open((inside) => inside.TurnaroundPage);

export default function TurnaroundRoute() {
  return <Turnaround hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
