import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const Statement = open((inside) => inside.Statement);

export default function StatementRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Statement hireId={hireId} />;
}
