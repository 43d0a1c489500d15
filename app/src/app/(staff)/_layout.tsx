import { staffFace } from '../../screens/open';

export default staffFace((face) => face.StaffFace);
