import { fetchEvents } from './outbox/fetch';
import { getHire } from '@quay/contract/hire';
import { call, NoAnswer, Refused } from './api';
import { type LocalPack, write } from './localDb';

export const savePack = (pack: LocalPack) => write(['packs'], (tx) => tx.objectStore('packs').put(pack));

let wanted = 0;
let running: Promise<void> = Promise.resolve();

/** Hires of the day, brought onto the phone so that any of them can be walked without signal. A newer wish takes the place of an older. */
export const fetchAhead = (ids: readonly string[]): Promise<void> => {
  const mine = (wanted += 1);
  const before = running;
  running = (async () => {
    await before;
    for (const id of ids) {
      if (mine !== wanted) return;
      try {
        const pack = await call(getHire, { params: { hireId: id } });
        await savePack({ ...pack, id });
        await fetchEvents(id);
      } catch (error) {
        if (error instanceof NoAnswer || error instanceof Refused) return;
        throw error;
      }
    }
  })();
  return running;
};

/** Ends it, and waits for what is under way: nobody is signed in here any more. */
export const stopFetchingAhead = (): Promise<void> => {
  wanted += 1;
  return running;
};
