export { Mine as default } from '../../screens/session/Mine';
