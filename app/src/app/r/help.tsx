import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/HelpPage'),
  (file) => file.HelpPage,
);
