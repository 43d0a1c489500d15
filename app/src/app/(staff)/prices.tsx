import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/settlement/prices/Prices'),
  (file) => file.Prices,
);
