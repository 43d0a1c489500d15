import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/booking/Bookings'),
  (file) => file.Bookings,
);
