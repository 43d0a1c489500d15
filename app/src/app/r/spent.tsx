import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/afloat/SpentPage'),
  (file) => file.SpentPage,
);
