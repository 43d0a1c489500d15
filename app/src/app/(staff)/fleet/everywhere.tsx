import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/fleet/EverywherePage'),
  (file) => file.EverywherePage,
);
