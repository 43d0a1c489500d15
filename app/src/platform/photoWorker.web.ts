import { address } from 'thread:photo';
import type { Quality } from '@quay/core/photo/quality';
import type { Judged } from '../workers/photoProtocol';

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, (quality: Quality | undefined) => void>();

/** Everybody who waits gets no judgement; the next picture starts a thread anew. */
const giveUp = () => {
  worker?.terminate();
  worker = undefined;
  for (const done of waiting.values()) done(undefined);
  waiting.clear();
};

/** Judges a photograph in a thread of its own. @returns nothing where it cannot be judged: that is no reason to refuse it */
export const judgePhoto = (blob: Blob): Promise<Quality | undefined> =>
  new Promise((resolve) => {
    if (!worker) {
      worker = new Worker(address);
      worker.onmessage = ({ data }: MessageEvent<Judged>) => {
        waiting.get(data.id)?.(data.ok ? data.quality : undefined);
        waiting.delete(data.id);
      };
      worker.onerror = giveUp;
    }
    last += 1;
    waiting.set(last, resolve);
    worker.postMessage({ id: last, blob });
  });
