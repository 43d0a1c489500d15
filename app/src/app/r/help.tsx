import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/help/HelpPage'),
  (file) => file.HelpPage,
);
