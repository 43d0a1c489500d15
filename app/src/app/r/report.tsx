import { pocket } from '../../screens/open';

export default pocket((face) => face.ReportPage);
