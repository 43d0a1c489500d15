/** What a renter sees first, in a file that holds nothing of the staff's. */
import { Home } from '../topics/renter/Home';
import { RenterFace } from '../topics/renter/RenterFace';

export { Home, RenterFace };
