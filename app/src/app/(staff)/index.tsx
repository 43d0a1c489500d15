import { staffFace } from '../../screens/lazyScreen';

export default staffFace((face) => face.Day);
