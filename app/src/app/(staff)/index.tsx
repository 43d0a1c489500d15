import { staffPart } from '../../bundles/openStaff';

export default staffPart((face) => face.Day);
