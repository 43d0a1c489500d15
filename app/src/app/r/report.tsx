import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/afloat/ReportPage'),
  (file) => file.ReportPage,
);
