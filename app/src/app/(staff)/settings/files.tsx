import { staffScreen } from '../../../bundles/openStaff';

export default staffScreen(
  () => import('../../../topics/staff/files/FilesPage'),
  (file) => file.FilesPage,
);
