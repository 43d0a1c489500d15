import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/PartyPage'),
  (file) => file.PartyPage,
);
