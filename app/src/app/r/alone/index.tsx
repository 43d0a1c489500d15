import { useLocalSearchParams } from 'expo-router';
import { alone } from '../../../screens/open';

const Walk = alone((pages) => pages.AlonePage);
const Statement = alone((pages) => pages.RenterStatement);

// One place for both: every route weighs on the first view.
export default function RenterAloneRoute() {
  return useLocalSearchParams<{ show?: string }>().show === 'statement' ? <Statement /> : <Walk />;
}
