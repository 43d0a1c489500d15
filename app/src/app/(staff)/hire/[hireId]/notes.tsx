import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Notes = staffScreen(
  () => import('../../../../topics/turnaround/NotesPage'),
  (file) => file.NotesPage,
);

export default function NotesRoute() {
  return <Notes hireId={useLocalSearchParams<{ hireId: string }>().hireId} />;
}
