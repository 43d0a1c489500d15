import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../../screens/open';

const Sign = open((inside) => inside.Sign);

export default function SignRoute() {
  const { hireId, walk } = useLocalSearchParams<{ hireId: string; walk: string }>();
  return <Sign key={`${hireId} ${walk}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} />;
}
