import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/GuidePage'),
  (file) => file.GuidePage,
);
