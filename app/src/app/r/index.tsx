import { renterFace } from '../../screens/lazyScreen';

export default renterFace((face) => face.Home);
