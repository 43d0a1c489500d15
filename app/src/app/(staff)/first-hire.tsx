import { staffScreen } from '../../bundles/openStaff';

export default staffScreen(
  () => import('../../topics/setup/FirstHire'),
  (file) => file.FirstHire,
);
