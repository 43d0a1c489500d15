import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/hire/Attention'),
  (file) => file.Attention,
);
