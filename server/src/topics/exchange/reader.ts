import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { Reader, ReadReply, ReadTask } from '../../platform/incoming';
import { readFile } from './read';

/** Whoever sends a file that takes longer means ill, ms. */
const TIME_MS = 20_000;
const IDLE_MS = 30_000;

/** Reading the file took longer than any honest one does. */
export class TookTooLong extends Error {}

/** Reads where it is asked: for tests and commands. */
export const readerHere = (): Reader => ({ read: (task) => Promise.resolve(readFile(task)), end: () => Promise.resolve() });

/** Reads in a thread that ends with a file that takes too long. @param dist where the bundled thread lies */
export const readerApart = (dist: string, timeMs = TIME_MS): Reader => {
  const pool = new Piscina<ReadTask, ReadReply>({
    filename: join(dist, 'incoming.mjs'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
  });
  return {
    read: async (task) => {
      const signal = AbortSignal.timeout(timeMs);
      try {
        return await pool.run(task, { signal });
      } catch (error) {
        if (signal.aborted) throw new TookTooLong(`${timeMs} ms`);
        throw error;
      }
    },
    end: () => pool.destroy(),
  };
};
