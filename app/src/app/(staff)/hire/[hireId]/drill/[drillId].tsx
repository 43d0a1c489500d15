import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../../screens/open';

const Page = open((inside) => inside.DrillPage);

export default function DrillRoute() {
  const { hireId, drillId } = useLocalSearchParams<{ hireId: string; drillId: string }>();
  return <Page hireId={hireId} drillId={drillId} />;
}
