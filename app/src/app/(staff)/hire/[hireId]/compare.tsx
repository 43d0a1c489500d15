import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const Compare = staffScreen(
  () => import('../../../../screens/condition/Compare'),
  (file) => file.Compare,
);

export default function CompareRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Compare hireId={hireId} />;
}
