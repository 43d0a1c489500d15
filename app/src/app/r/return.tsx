import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/ReturnPage'),
  (file) => file.ReturnPage,
);
