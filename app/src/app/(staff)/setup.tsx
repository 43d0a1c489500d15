import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/setup/SetUp'),
  (file) => file.SetUp,
  { everybody: true },
);
