import { renterPart } from '../../bundles/openRenter';

export default renterPart((face) => face.Home);
