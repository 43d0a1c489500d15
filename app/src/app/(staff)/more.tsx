import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/places/More'),
  (file) => file.More,
);
