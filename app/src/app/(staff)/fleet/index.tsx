import { staffScreen } from '../../../screens/lazyScreen';

export default staffScreen(
  () => import('../../../screens/fleet/Fleet'),
  (file) => file.Fleet,
);
