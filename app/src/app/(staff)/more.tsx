import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/navigation/More'),
  (file) => file.More,
);
