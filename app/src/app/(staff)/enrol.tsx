import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/staff/Enrol'),
  (file) => file.Enrol,
  { everybody: true },
);
