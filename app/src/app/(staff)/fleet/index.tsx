import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/fleet/Fleet'),
  (file) => file.Fleet,
);
