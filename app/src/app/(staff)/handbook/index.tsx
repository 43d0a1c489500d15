import { staffScreen } from '../../../bundles/openStaff';

const HandbookPage = staffScreen(
  () => import('../../../topics/handbook/HandbookPage'),
  (file) => file.HandbookPage,
);

export default function HandbookContents() {
  return <HandbookPage page="" />;
}
