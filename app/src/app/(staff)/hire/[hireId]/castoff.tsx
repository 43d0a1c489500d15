import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const CastOff = open((inside) => inside.CastOffPage);

export default function CastOffRoute() {
  return <CastOff hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
