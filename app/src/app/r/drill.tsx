import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../screens/open';

const Drills = alone((pages) => pages.RenterDrills);

// One place for the list and for each of them: every route weighs on the first view.
export default function RenterDrillsRoute() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  return <Drills drillId={id} />;
}
