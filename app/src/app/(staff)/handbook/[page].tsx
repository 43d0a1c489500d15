import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../bundles/openStaff';

const HandbookPage = staffScreen(
  () => import('../../../topics/handbook/HandbookPage'),
  (file) => file.HandbookPage,
);

export default function HandbookRoute() {
  const { page } = useLocalSearchParams<{ page: string }>();
  return <HandbookPage page={page} />;
}
