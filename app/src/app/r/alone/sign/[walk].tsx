import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../../../bundles/openRenter';

const Sign = aloneScreen(
  () => import('../../../../topics/renter/alone/AloneSign'),
  (file) => file.AloneSign,
);

export default function AloneSignRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Sign walk={walk === 'in' ? 'in' : 'out'} />;
}
