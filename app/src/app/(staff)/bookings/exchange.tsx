import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/booking/exchange/Exchange'),
  (file) => file.Exchange,
);
