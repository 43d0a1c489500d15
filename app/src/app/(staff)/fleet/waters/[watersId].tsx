import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const WatersPage = staffScreen(
  () => import('../../../../topics/fleet/waters/WatersPage'),
  (file) => file.WatersPage,
);

export default function WatersRoute() {
  const { watersId } = useLocalSearchParams<{ watersId: string }>();
  return <WatersPage watersId={watersId} />;
}
