import { open } from '../../screens/open';

export default open((inside) => inside.Bookings);
