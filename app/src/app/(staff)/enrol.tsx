import { open } from '../../screens/open';

export default open((inside) => inside.Enrol, { everybody: true });
