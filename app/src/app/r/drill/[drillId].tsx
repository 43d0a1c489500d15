import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../../screens/open';

const Drill = alone((pages) => pages.RenterDrill);

export default function RenterDrillRoute() {
  const { drillId } = useLocalSearchParams<{ drillId: string }>();
  return <Drill drillId={drillId} />;
}
