import { useLocalSearchParams } from 'expo-router';
import { pocket } from '../../../screens/open';

const Round = pocket((face) => face.RoundPage);

export default function RoundRoute() {
  const { roundId } = useLocalSearchParams<{ roundId: string }>();
  return <Round roundId={roundId} />;
}
