import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Compare = open((inside) => inside.Compare);

export default function CompareRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Compare hireId={hireId} />;
}
