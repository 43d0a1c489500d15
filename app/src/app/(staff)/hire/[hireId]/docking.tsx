import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/docking/DockingPage'),
  (file) => file.DockingPage,
);

export default function DockingRoute() {
  const { hireId, berth, act, task } = useLocalSearchParams<{ hireId: string; berth?: string; act?: string; task?: string }>();
  return <Page hireId={hireId} berth={berth} act={act} task={task} />;
}
