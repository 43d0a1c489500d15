import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/afloat/RenterPaper'),
  (file) => file.RenterPaper,
);
