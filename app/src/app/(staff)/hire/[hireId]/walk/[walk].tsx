import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../../bundles/openStaff';

const Walk = staffScreen(
  () => import('../../../../../topics/walk/Walk'),
  (file) => file.Walk,
);

export default function WalkRoute() {
  const { hireId, walk, stop } = useLocalSearchParams<{ hireId: string; walk: string; stop?: string }>();
  return <Walk key={`${hireId} ${walk} ${stop ?? ''}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} stop={stop} />;
}
