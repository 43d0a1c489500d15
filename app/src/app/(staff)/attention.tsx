import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/day/Attention'),
  (file) => file.Attention,
);
