import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/session/Enrol'),
  (file) => file.Enrol,
  { everybody: true },
);
