import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../../../bundles/openRenter';

const Walk = aloneScreen(
  () => import('../../../../topics/renter/alone/AloneWalk'),
  (file) => file.AloneWalk,
);

export default function AloneWalkRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Walk walk={walk === 'in' ? 'in' : 'out'} />;
}
