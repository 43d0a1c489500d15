import { useLocalSearchParams } from 'expo-router';
import { Walk } from '../../../../../screens/record/Walk';

export default function WalkRoute() {
  const { hireId, walk } = useLocalSearchParams<{ hireId: string; walk: string }>();
  return <Walk hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} />;
}
