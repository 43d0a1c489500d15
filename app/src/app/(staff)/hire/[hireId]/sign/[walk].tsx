import { useLocalSearchParams } from 'expo-router';
import { Sign } from '../../../../../screens/record/Sign';

export default function SignRoute() {
  const { hireId, walk } = useLocalSearchParams<{ hireId: string; walk: string }>();
  return <Sign hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} />;
}
