import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/BriefPage'),
  (file) => file.BriefPage,
);
