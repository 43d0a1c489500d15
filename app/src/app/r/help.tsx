import { renterScreen } from '../../screens/lazyScreen';

export default renterScreen(
  () => import('../../screens/renter/HelpPage'),
  (file) => file.HelpPage,
);
