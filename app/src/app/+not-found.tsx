export { NotFound as default } from '../screens/session/NotFound';
