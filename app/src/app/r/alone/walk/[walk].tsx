import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../../../screens/lazyScreen';

const Walk = aloneScreen(
  () => import('../../../../screens/renter/alone/AloneWalk'),
  (file) => file.AloneWalk,
);

export default function AloneWalkRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Walk walk={walk === 'in' ? 'in' : 'out'} />;
}
