import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../../screens/lazyScreen';

const Card = renterScreen(
  () => import('../../../screens/renter/CardPage'),
  (file) => file.CardPage,
);

export default function CardRoute() {
  const { cardId } = useLocalSearchParams<{ cardId: string }>();
  return <Card cardId={cardId} />;
}
