import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Fit = open((inside) => inside.Fit);

export default function FitRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Fit hireId={hireId} />;
}
