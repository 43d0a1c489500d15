import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/session/StaffAndPhones'),
  (file) => file.StaffAndPhones,
);
