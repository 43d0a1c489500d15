import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../bundles/openRenter';

const Anchor = renterScreen(
  () => import('../../topics/renter/afloat/RenterAnchor'),
  (file) => file.RenterAnchor,
);

export default function RenterAnchorRoute() {
  const { at } = useLocalSearchParams<{ at?: string }>();
  return <Anchor at={at} />;
}
