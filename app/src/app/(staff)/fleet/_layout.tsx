import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/fleet/FleetDesk'),
  (file) => file.FleetDesk,
);
