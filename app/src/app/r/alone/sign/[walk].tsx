import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../../../screens/lazyScreen';

const Sign = aloneScreen(
  () => import('../../../../screens/renter/alone/AloneSign'),
  (file) => file.AloneSign,
);

export default function AloneSignRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Sign walk={walk === 'in' ? 'in' : 'out'} />;
}
