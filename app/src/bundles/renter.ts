/** What a renter sees first, in a file that holds nothing of the staff's. */
export { RenterFace } from '../topics/renter/RenterFace';
export { Home } from '../topics/renter/Home';
