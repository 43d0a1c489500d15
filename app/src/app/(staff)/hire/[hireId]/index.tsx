import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Hire = open((inside) => inside.Hire);

export default function HireRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Hire hireId={hireId} />;
}
