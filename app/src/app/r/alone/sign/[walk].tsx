import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../../../screens/open';

const Sign = alone((pages) => pages.AloneSign);

export default function AloneSignRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Sign walk={walk === 'in' ? 'in' : 'out'} />;
}
