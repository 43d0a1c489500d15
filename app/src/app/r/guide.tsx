import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/GuidePage'),
  (file) => file.GuidePage,
);
