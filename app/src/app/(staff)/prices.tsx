import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/settlement/Prices'),
  (file) => file.Prices,
);
