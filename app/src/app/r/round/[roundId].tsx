import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../../screens/lazyScreen';

const Round = renterScreen(
  () => import('../../../screens/renter/RoundPage'),
  (file) => file.RoundPage,
);

export default function RoundRoute() {
  const { roundId } = useLocalSearchParams<{ roundId: string }>();
  return <Round roundId={roundId} />;
}
