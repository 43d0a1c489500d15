import { renterScreen } from '../../bundles/openRenter';

export default renterScreen(
  () => import('../../topics/renter/ReturnPage'),
  (file) => file.ReturnPage,
);
