/** What a renter sees first, in a file that holds nothing of the staff's. */
export { RenterFace } from './RenterFace';
export { Home } from './Home';
