import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/staff/operator/OperatorSettings'),
  (file) => file.OperatorSettings,
);
