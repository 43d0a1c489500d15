import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Page = open((inside) => inside.DockingPage);

export default function DockingRoute() {
  const { hireId, berth, act, task } = useLocalSearchParams<{ hireId: string; berth?: string; act?: string; task?: string }>();
  return <Page hireId={hireId} berth={berth} act={act} task={task} />;
}
