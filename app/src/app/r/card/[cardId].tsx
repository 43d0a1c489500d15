import { useLocalSearchParams } from 'expo-router';
import { pocket } from '../../../screens/open';

const Card = pocket((face) => face.CardPage);

export default function CardRoute() {
  const { cardId } = useLocalSearchParams<{ cardId: string }>();
  return <Card cardId={cardId} />;
}
