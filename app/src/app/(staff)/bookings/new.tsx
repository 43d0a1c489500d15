import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/booking/NewHire'),
  (file) => file.NewHire,
);
