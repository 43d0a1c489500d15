import { useLocalSearchParams } from 'expo-router';
import { Statement } from '../../../../screens/settlement/Statement';

export default function StatementRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Statement hireId={hireId} />;
}
