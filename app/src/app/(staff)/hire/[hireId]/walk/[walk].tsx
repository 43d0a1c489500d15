import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../../screens/lazyScreen';

const Walk = staffScreen(
  () => import('../../../../../screens/record/Walk'),
  (file) => file.Walk,
);

export default function WalkRoute() {
  const { hireId, walk, stop } = useLocalSearchParams<{ hireId: string; walk: string; stop?: string }>();
  return <Walk key={`${hireId} ${walk} ${stop ?? ''}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} stop={stop} />;
}
