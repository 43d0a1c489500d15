import { alone } from '../../../screens/open';

export default alone((pages) => pages.DrillsPage);
