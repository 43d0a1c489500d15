import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Fit = staffScreen(
  () => import('../../../../screens/fit/Fit'),
  (file) => file.Fit,
);

export default function FitRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Fit hireId={hireId} />;
}
