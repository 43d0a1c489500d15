/** All that answers to fingers that move, in a file of its own with the library behind it: most screens never need it. */
export { Zoomable } from '../../platform/zoom';
export { Followed } from './followed';
