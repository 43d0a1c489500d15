import type { ClassBook } from '@quay/core/fleet/book';
import { readImport } from './read';

export type FolderTask = {
  folder: string;
  now: string;
  there: [string, ClassBook][];
  /** Drills that were looked at when they were kept, as text. */
  known: string[];
};

/** Reads a folder of files; every drill in it that nobody has seen is gone through, state by state, which takes its time. */
const readFolder = ({ folder, now, there, known }: FolderTask): ReturnType<typeof readImport> =>
  readImport(folder, now, new Map(known.map((drill) => [drill, []])), new Map(there));
export default readFolder;
