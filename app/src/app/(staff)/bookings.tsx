import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/bookings/Bookings'),
  (file) => file.Bookings,
);
