import { address } from 'worker:reach';
import type { LonLat } from '@quay/core/geometry/plane';
import type { Stay } from '@quay/core/trip/reach/turnRound';
import type { Asked, Day, Reach, Said } from '../../workers/reachProtocol';

export type ReachWorker = {
  reckon: (day: Day) => Promise<Reach>;
  /** In the day that was reckoned last. @returns nothing where no way leads there */
  wish: (at: LonLat) => Promise<Stay | undefined>;
  end: () => void;
};

/** Starts the thread that the reach is reckoned in. A fault in it rejects what was asked. */
export const startReachWorker = (): ReachWorker => {
  let worker: Worker | undefined;
  const waiting = new Map<number, { done: (said: Extract<Said, { ok: true }>) => void; fail: (fault: Error) => void }>();
  let last = 0;
  /** One that could not be fetched, or died, answers nobody any more: the next question starts another. */
  const started = (): Worker => {
    if (worker) return worker;
    const made = new Worker(address);
    made.onmessage = ({ data }: MessageEvent<Said>) => {
      const asked = waiting.get(data.id);
      waiting.delete(data.id);
      if (data.ok) asked?.done(data);
      else asked?.fail(new Error(data.why));
    };
    made.onerror = ({ message }) => {
      made.terminate();
      worker = undefined;
      for (const { fail } of waiting.values()) fail(new Error(message));
      waiting.clear();
    };
    worker = made;
    return made;
  };
  const ask = (question: { ask: 'day'; day: Day } | { ask: 'wish'; wish: LonLat }) =>
    new Promise<Extract<Said, { ok: true }>>((done, fail) => {
      last += 1;
      waiting.set(last, { done, fail });
      started().postMessage({ ...question, id: last } satisfies Asked);
    });
  return {
    reckon: async (day) => {
      const said = await ask({ ask: 'day', day });
      if (!('reach' in said)) throw new Error('no reach in the answer');
      return said.reach;
    },
    wish: async (at) => {
      const said = await ask({ ask: 'wish', wish: at });
      return 'stay' in said ? said.stay : undefined;
    },
    end: () => worker?.terminate(),
  };
};
