import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Statement = staffScreen(
  () => import('../../../../screens/settlement/Statement'),
  (file) => file.Statement,
);

export default function StatementRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Statement hireId={hireId} />;
}
