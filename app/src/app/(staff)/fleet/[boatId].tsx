import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../screens/lazyScreen';

const BoatBookPage = staffScreen(
  () => import('../../../screens/fleet/BoatBookPage'),
  (file) => file.BoatBookPage,
);

export default function BoatBookRoute() {
  const { boatId } = useLocalSearchParams<{ boatId: string }>();
  return <BoatBookPage boatId={boatId} />;
}
