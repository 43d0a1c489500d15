import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/session/Settings'),
  (file) => file.Settings,
);
