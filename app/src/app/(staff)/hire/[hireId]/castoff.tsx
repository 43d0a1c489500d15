import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const CastOff = staffScreen(
  () => import('../../../../topics/castOff/CastOffPage'),
  (file) => file.CastOffPage,
);

export default function CastOffRoute() {
  return <CastOff hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
