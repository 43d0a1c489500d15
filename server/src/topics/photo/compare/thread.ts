import { constants, setPriority } from 'node:os';
import { compareFiles, type FilesCompared } from './compareFiles';

// On Linux this is about the thread that says it: whoever waits for an answer goes before a comparison. Still lower, one
// that has to share its core with anything else would hardly move.
setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

/** What a thread is asked for: two files, and whether pictures to look at are wanted. */
export type CompareTask = { out: string; back: string; pictures: boolean };

/** A thread's whole work; the quay itself goes on answering meanwhile. */
export default ({ out, back, pictures }: CompareTask): Promise<FilesCompared> => compareFiles(out, back, { pictures });
