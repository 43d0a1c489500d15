import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/BriefPage'),
  (file) => file.BriefPage,
);
