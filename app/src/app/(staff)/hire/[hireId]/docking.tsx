import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Page = staffScreen(
  () => import('../../../../screens/docking/DockingPage'),
  (file) => file.DockingPage,
);

export default function DockingRoute() {
  const { hireId, berth, act, task } = useLocalSearchParams<{ hireId: string; berth?: string; act?: string; task?: string }>();
  return <Page hireId={hireId} berth={berth} act={act} task={task} />;
}
