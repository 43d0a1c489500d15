import { fetchEvents } from './outbox/fetch';
import { getHire } from '@quay/contract/hire';
import { getBoatPack, getWalkIns } from '@quay/contract/walkIn';
import { call, NoAnswer, Refused } from './api';
import { localDb, type LocalPack, write } from './localDb';
import { saveWalkIns } from './walkIn/saved';

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

/**
 * The boats of a base, brought onto the phone so that any of them can be hired out without signal: what is booked, and the
 * book of each that has changed since.
 */
export const fetchWalkIns = (base: string): Promise<void> => {
  const mine = wanted;
  const before = running;
  running = (async () => {
    await before;
    try {
      if (mine !== wanted) return;
      const found = await call(getWalkIns, { query: { base } });
      await saveWalkIns(found);
      for (const { id, mark } of found.boats) {
        if (mine !== wanted) return;
        if ((await (await localDb()).get('boats', id))?.mark === mark) continue;
        const pack = await call(getBoatPack, { params: { boatId: id } });
        await write(['boats'], (tx) => tx.objectStore('boats').put({ ...pack, id, mark }));
      }
    } catch (error) {
      if (!(error instanceof NoAnswer || error instanceof Refused)) throw error;
    }
  })();
  return running;
};

/** Ends it, and waits for what is under way: nobody is signed in here any more. */
export const stopFetchingAhead = (): Promise<void> => {
  wanted += 1;
  return running;
};
