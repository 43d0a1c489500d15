import { compareFiles, type FilesCompared } from './compareFiles';

/** What a thread is asked for: two files, and whether pictures to look at are wanted. */
export type CompareTask = { out: string; back: string; pictures: boolean };

/** A thread's whole work; the quay itself goes on answering meanwhile. */
export default ({ out, back, pictures }: CompareTask): Promise<FilesCompared> => compareFiles(out, back, { pictures });
