import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Fit = staffScreen(
  () => import('../../../../topics/party/Fit'),
  (file) => file.Fit,
);

export default function FitRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Fit hireId={hireId} />;
}
