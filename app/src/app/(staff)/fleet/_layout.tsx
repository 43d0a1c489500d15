import { staffScreen } from '../../../screens/lazyScreen';

export default staffScreen(
  () => import('../../../screens/fleet/FleetDesk'),
  (file) => file.FleetDesk,
);
