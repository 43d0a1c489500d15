import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../../screens/lazyScreen';

const Page = staffScreen(
  () => import('../../../../../screens/drill/DrillPage'),
  (file) => file.DrillPage,
);

export default function DrillRoute() {
  const { hireId, drillId } = useLocalSearchParams<{ hireId: string; drillId: string }>();
  return <Page hireId={hireId} drillId={drillId} />;
}
