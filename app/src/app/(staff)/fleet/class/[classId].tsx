import { useLocalSearchParams } from 'expo-router';
import { open } from '../../../../screens/open';

const ClassBookPage = open((inside) => inside.ClassBookPage);

export default function ClassBookRoute() {
  const { classId } = useLocalSearchParams<{ classId: string }>();
  return <ClassBookPage classId={classId} />;
}
