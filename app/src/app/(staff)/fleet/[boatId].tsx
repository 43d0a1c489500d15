import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../screens/open';

const BoatBookPage = open((inside) => inside.BoatBookPage);

export default function BoatBookRoute() {
  const { boatId } = useLocalSearchParams<{ boatId: string }>();
  return <BoatBookPage boatId={boatId} />;
}
