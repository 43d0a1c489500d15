import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const BaseBookPage = staffScreen(
  () => import('../../../../screens/fleet/BaseBookPage'),
  (file) => file.BaseBookPage,
);

export default function BaseBookRoute() {
  const { baseId } = useLocalSearchParams<{ baseId: string }>();
  return <BaseBookPage baseId={baseId} />;
}
