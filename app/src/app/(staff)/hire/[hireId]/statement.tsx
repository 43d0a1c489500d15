import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Statement = staffScreen(
  () => import('../../../../topics/settlement/Statement'),
  (file) => file.Statement,
);

export default function StatementRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Statement hireId={hireId} />;
}
