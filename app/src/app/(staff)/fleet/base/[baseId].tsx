import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const BaseBookPage = staffScreen(
  () => import('../../../../topics/fleet/BaseBookPage'),
  (file) => file.BaseBookPage,
);

export default function BaseBookRoute() {
  const { baseId } = useLocalSearchParams<{ baseId: string }>();
  return <BaseBookPage baseId={baseId} />;
}
