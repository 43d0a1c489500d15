import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/settlement/Figures'),
  (file) => file.Figures,
);
