import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../../bundles/openRenter';

const Card = renterScreen(
  () => import('../../../topics/renter/CardPage'),
  (file) => file.CardPage,
);

export default function CardRoute() {
  const { cardId } = useLocalSearchParams<{ cardId: string }>();
  return <Card cardId={cardId} />;
}
