import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../../bundles/openStaff';

const Sign = staffScreen(
  () => import('../../../../../topics/walk/Sign'),
  (file) => file.Sign,
);

export default function SignRoute() {
  const { hireId, walk } = useLocalSearchParams<{ hireId: string; walk: string }>();
  return <Sign key={`${hireId} ${walk}`} hireId={hireId} walk={walk === 'in' ? 'in' : 'out'} />;
}
