import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../screens/lazyScreen';

const ClassBookPage = staffScreen(
  () => import('../../../../screens/fleet/ClassBookPage'),
  (file) => file.ClassBookPage,
);

export default function ClassBookRoute() {
  const { classId } = useLocalSearchParams<{ classId: string }>();
  return <ClassBookPage classId={classId} />;
}
