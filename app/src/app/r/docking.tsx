import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../bundles/openRenter';

const Docking = aloneScreen(
  () => import('../../topics/renter/afloat/RenterDocking'),
  (file) => file.RenterDocking,
);

export default function RenterDockingRoute() {
  const { berth, act, task } = useLocalSearchParams<{ berth?: string; act?: string; task?: string }>();
  return <Docking berth={berth} act={act} task={task} />;
}
