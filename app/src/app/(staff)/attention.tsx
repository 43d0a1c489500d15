export { Attention as default } from '../../screens/hire/Attention';
