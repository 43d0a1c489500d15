import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/ReportPage'),
  (file) => file.ReportPage,
);
