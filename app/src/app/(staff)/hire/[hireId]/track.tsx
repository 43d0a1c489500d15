import { useLocalSearchParams } from 'expo-router';
import { staffScreen } from '../../../../bundles/openStaff';

const Page = staffScreen(
  () => import('../../../../topics/trip/track/TrackPage'),
  (file) => file.TrackPage,
);

export default function TrackRoute() {
  const { hireId, track } = useLocalSearchParams<{ hireId: string; track?: string }>();
  return <Page hireId={hireId} track={track} />;
}
