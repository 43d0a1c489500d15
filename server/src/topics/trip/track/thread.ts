import { readTrack } from './read';

/** A thread that reads one track, and is ended when it takes too long. */
export default readTrack;
