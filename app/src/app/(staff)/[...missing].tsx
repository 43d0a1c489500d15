import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/staff/NotFound'),
  (file) => file.NotFound,
);
