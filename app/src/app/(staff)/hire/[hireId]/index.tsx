import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Hire = staffScreen(
  () => import('../../../../screens/hire/Hire'),
  (file) => file.Hire,
);

export default function HireRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Hire hireId={hireId} />;
}
