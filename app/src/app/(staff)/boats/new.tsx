import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/fleet/add/NewBoat'),
  (file) => file.NewBoat,
);
