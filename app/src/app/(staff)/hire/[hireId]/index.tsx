import { useLocalSearchParams } from 'expo-router';
import { Hire } from '../../../../screens/hire/Hire';

export default function HireRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Hire hireId={hireId} />;
}
