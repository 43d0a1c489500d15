import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/session/NotFound'),
  (file) => file.NotFound,
);
