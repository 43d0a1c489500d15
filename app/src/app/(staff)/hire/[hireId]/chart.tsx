import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/trip/chart/HireChart'),
  (file) => file.HireChart,
);

export default function ChartRoute() {
  const { hireId, place, at } = useLocalSearchParams<{ hireId: string; place?: string; at?: string }>();
  return <Page hireId={hireId} place={place} at={at} />;
}
