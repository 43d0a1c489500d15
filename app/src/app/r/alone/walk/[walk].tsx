import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../../../screens/open';

const Walk = alone((pages) => pages.AloneWalk);

export default function AloneWalkRoute() {
  const { walk } = useLocalSearchParams<{ walk: string }>();
  return <Walk walk={walk === 'in' ? 'in' : 'out'} />;
}
