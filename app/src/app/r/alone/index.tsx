import { useLocalSearchParams } from 'expo-router';
import { aloneScreen } from '../../../bundles/openRenter';

const Walk = aloneScreen(
  () => import('../../../topics/renter/alone/AlonePage'),
  (file) => file.AlonePage,
);
const Statement = aloneScreen(
  () => import('../../../topics/renter/RenterStatement'),
  (file) => file.RenterStatement,
);

// One place for both: every route weighs on the first view.
export default function RenterAloneRoute() {
  return useLocalSearchParams<{ show?: string }>().show === 'statement' ? <Statement /> : <Walk />;
}
