import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../bundles/openRenter';

const Drills = aloneScreen(
  () => import('../../topics/renter/DrillsPage'),
  (file) => file.RenterDrills,
);

// One place for the list and for each of them: every route weighs on the first view.
export default function RenterDrillsRoute() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  return <Drills drillId={id} />;
}
