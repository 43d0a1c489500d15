import { useLocalSearchParams } from 'expo-router';
import { Compare } from '../../../../screens/condition/Compare';

export default function CompareRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Compare hireId={hireId} />;
}
