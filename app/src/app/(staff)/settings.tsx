import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/staff/Settings'),
  (file) => file.Settings,
);
