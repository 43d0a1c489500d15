import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/booking/newHire/NewHire'),
  (file) => file.NewHire,
);
