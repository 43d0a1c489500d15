export { Enrol as default } from '../screens/session/Enrol';
