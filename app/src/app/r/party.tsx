import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/PartyPage'),
  (file) => file.PartyPage,
);
