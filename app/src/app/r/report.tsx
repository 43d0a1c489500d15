import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/ReportPage'),
  (file) => file.ReportPage,
);
