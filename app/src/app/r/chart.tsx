import { useLocalSearchParams } from 'expo-router';
import { renterScreen } from '../../bundles/openRenter';

const Chart = renterScreen(
  () => import('../../topics/renter/afloat/RenterChart'),
  (file) => file.RenterChart,
);

export default function RenterChartRoute() {
  const { place, at } = useLocalSearchParams<{ place?: string; at?: string }>();
  return <Chart place={place} at={at} />;
}
