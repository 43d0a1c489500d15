import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../../bundles/openRenter';

const Round = renterScreen(
  () => import('../../../topics/renter/afloat/RoundPage'),
  (file) => file.RoundPage,
);

export default function RoundRoute() {
  const { roundId } = useLocalSearchParams<{ roundId: string }>();
  return <Round roundId={roundId} />;
}
