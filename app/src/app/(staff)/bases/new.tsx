import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/fleet/add/NewBase'),
  (file) => file.NewBase,
);
