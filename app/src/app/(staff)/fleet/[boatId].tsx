import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../bundles/openStaff';
import { triedDrill } from '../../../bundles/triedDrill';

const BoatBookPage = staffScreen(
  () => import('../../../topics/fleet/BoatBookPage'),
  (file) => file.BoatBookPage,
);

export default function BoatBookRoute() {
  const { boatId } = useLocalSearchParams<{ boatId: string }>();
  return <BoatBookPage boatId={boatId} trial={triedDrill} />;
}
