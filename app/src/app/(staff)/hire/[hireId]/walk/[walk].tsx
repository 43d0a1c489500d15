import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../../screens/open';

const Walk = open((inside) => inside.Walk);

export default function WalkRoute() {
  const { hireId, walk } = useLocalSearchParams<{ hireId: string; walk: string }>();
  return <Walk key={`${hireId} ${walk}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} />;
}
