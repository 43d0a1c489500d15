import { join } from 'node:path';
import { Piscina } from 'piscina';
import { readTrack, type TrackRead, type TrackTask } from './read';

/** Whoever sends a track that takes longer means ill, ms. */
const TIME_MS = 60_000;

/** Reading the track took longer than any honest one does. */
export class TrackTookTooLong extends Error {}

/** Reads a track in a thread of its own, which ends with it. @param threads where bundled threads lie; without, it is read here */
export const readTrackApart = async (task: TrackTask, threads: string | undefined): Promise<TrackRead> => {
  if (threads === undefined) return readTrack(task);
  const pool = new Piscina<TrackTask, TrackRead>({ filename: join(threads, 'track.mjs'), minThreads: 0, maxThreads: 1 });
  const signal = AbortSignal.timeout(TIME_MS);
  try {
    return await pool.run(task, { signal });
  } catch (error) {
    if (signal.aborted) throw new TrackTookTooLong(`${TIME_MS} ms`);
    throw error;
  } finally {
    await pool.destroy();
  }
};
