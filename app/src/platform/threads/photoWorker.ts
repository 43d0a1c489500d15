import { address } from 'worker:photo';
import type { Corners, Spot } from '@quay/core/photo/card';
import type { Quality } from '@quay/core/photo/quality';
import type { Asked, Said } from '../../workers/photoProtocol';

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, (said: Said | undefined) => void>();

/** Everybody who waits gets no answer; the next picture starts a thread anew. */
const giveUp = () => {
  worker?.terminate();
  worker = undefined;
  for (const done of waiting.values()) done(undefined);
  waiting.clear();
};

type Question<T> = T extends Asked ? Omit<T, 'id'> : never;

const ask = (question: Question<Asked>): Promise<Said | undefined> =>
  new Promise((resolve) => {
    if (!worker) {
      worker = new Worker(address);
      worker.onmessage = ({ data }: MessageEvent<Said>) => {
        waiting.get(data.id)?.(data);
        waiting.delete(data.id);
      };
      worker.onerror = giveUp;
    }
    last += 1;
    waiting.set(last, resolve);
    worker.postMessage({ ...question, id: last });
  });

/** Judges a photograph in a thread of its own. @returns nothing where it cannot be judged: that is no reason to refuse it */
export const judgePhoto = async (blob: Blob): Promise<Quality | undefined> => {
  const said = await ask({ blob, ask: 'quality' });
  return said && said.ok && 'quality' in said ? said.quality : undefined;
};

/**
 * Finds the corners of a card by its edges.
 * @param corners about where they are, in a box in which the whole picture is shown @param reach how far off they may be, of the same measure
 * @returns nothing where no card's edges are seen there
 */
export const findCorners = async (blob: Blob, corners: Corners, box: Spot, reach: number): Promise<Corners | undefined> => {
  const said = await ask({ blob, ask: 'corners', corners, box, reach });
  return said && said.ok && 'corners' in said ? said.corners : undefined;
};

/** Makes a picture small, for where it is shown among others. @returns nothing where it cannot be made */
export const makeSmall = async (blob: Blob): Promise<Blob | undefined> => {
  const said = await ask({ blob, ask: 'small' });
  return said && said.ok && 'small' in said ? said.small : undefined;
};
