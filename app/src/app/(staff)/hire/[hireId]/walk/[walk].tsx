import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../../screens/open';

const Walk = open((inside) => inside.Walk);

export default function WalkRoute() {
  const { hireId, walk, stop } = useLocalSearchParams<{ hireId: string; walk: string; stop?: string }>();
  return <Walk key={`${hireId} ${walk} ${stop ?? ''}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} stop={stop} />;
}
