export { Phones as default } from '../../screens/session/Phones';
