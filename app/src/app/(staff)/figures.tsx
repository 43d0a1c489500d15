import { staffScreen } from '../../screens/lazyScreen';

export default staffScreen(
  () => import('../../screens/settlement/Figures'),
  (file) => file.Figures,
);
