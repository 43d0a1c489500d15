import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';
import { triedDrill } from '../../../../bundles/triedDrill';

const ClassBookPage = staffScreen(
  () => import('../../../../topics/fleet/ClassBookPage'),
  (file) => file.ClassBookPage,
);

export default function ClassBookRoute() {
  const { classId } = useLocalSearchParams<{ classId: string }>();
  return <ClassBookPage classId={classId} trial={triedDrill} />;
}
