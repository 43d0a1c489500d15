import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const CastOff = staffScreen(
  () => import('../../../../screens/castOff/CastOffPage'),
  (file) => file.CastOffPage,
);

export default function CastOffRoute() {
  return <CastOff hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
