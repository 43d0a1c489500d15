import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/trip/anchor/HireAnchor'),
  (file) => file.HireAnchor,
);

export default function AnchorRoute() {
  const { hireId, at } = useLocalSearchParams<{ hireId: string; at?: string }>();
  return <Page hireId={hireId} at={at} />;
}
