import { Piscina } from 'piscina';

/** What was handed to a thread took longer than any honest one does. */
export class TookTooLong extends Error {}

/**
 * Does a task in a thread of its own, which ends with it: whatever somebody sent can hold up nothing else, and not for ever.
 * @param file a bundled thread @param mostMs after which it is broken off @throws TookTooLong, and whatever the thread throws
 */
export const doneApart = async <Task, Done>(file: string, task: Task, mostMs: number): Promise<Done> => {
  const pool = new Piscina<Task, Done>({ filename: file, minThreads: 0, maxThreads: 1 });
  const signal = AbortSignal.timeout(mostMs);
  try {
    return await pool.run(task, { signal });
  } catch (error) {
    if (signal.aborted) throw new TookTooLong(`${mostMs} ms`);
    throw error;
  } finally {
    await pool.destroy();
  }
};
