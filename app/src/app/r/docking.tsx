import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../screens/open';

const Docking = alone((pages) => pages.RenterDocking);

export default function RenterDockingRoute() {
  const { berth, act, task } = useLocalSearchParams<{ berth?: string; act?: string; task?: string }>();
  return <Docking berth={berth} act={act} task={task} />;
}
