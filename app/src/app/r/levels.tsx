import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/afloat/RenterLevels'),
  (file) => file.RenterLevels,
);
