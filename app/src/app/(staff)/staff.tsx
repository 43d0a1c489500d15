import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/staff/StaffAndPhones'),
  (file) => file.StaffAndPhones,
);
