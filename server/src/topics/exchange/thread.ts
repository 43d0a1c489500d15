import { readFile } from './read';

/** A thread that reads what somebody sent, and is ended when it takes too long. */
export default readFile;
