import { renterFace } from '../../screens/open';

export default renterFace((face) => face.RenterFace);
