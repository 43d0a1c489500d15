import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const BaseBookPage = open((inside) => inside.BaseBookPage);

export default function BaseBookRoute() {
  const { baseId } = useLocalSearchParams<{ baseId: string }>();
  return <BaseBookPage baseId={baseId} />;
}
