import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { FilesCompared } from './compareFiles';
import type { CompareTask } from './thread';

export type Comparer = { compare: (task: CompareTask, signal?: AbortSignal) => Promise<FilesCompared>; end: () => Promise<void> };

/** One fewer than the machine has cores, so that answering always has one. */
export const THREADS = Math.max(1, availableParallelism() - 1);

/**
 * Threads that compare photographs. They are started
 * when the first pair comes and end when none has come for a while.
 * @param dist where the bundled thread lies
 */
export const comparer = (dist: string, threads = THREADS): Comparer => {
  const pool = new Piscina<CompareTask, FilesCompared>({
    filename: join(dist, 'compare.mjs'),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: 30_000,
  });
  return { compare: (task, signal) => pool.run(task, signal ? { signal } : {}), end: () => pool.destroy() };
};
