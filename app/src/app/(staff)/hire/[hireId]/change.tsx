import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Change = staffScreen(
  () => import('../../../../topics/booking/change/ChangeBooking'),
  (file) => file.ChangeBooking,
);

export default function ChangeRoute() {
  const { hireId } = useLocalSearchParams<{ hireId: string }>();
  return <Change key={hireId} hireId={hireId} />;
}
