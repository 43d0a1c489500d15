import { draftKey } from './draft';
import { write } from './localDb';

const DAY_MS = 86_400_000;
/** Pictures that the quay holds are let go here so long after a hire that is closed; they can be fetched from there. */
const PICTURES_MS = 2 * DAY_MS;
/** And everything else of it so long after. */
const ALL_MS = 30 * DAY_MS;

/**
 * Lets go of what is over and safe at the quay, so that a phone does not fill up with last month's pictures. A hire of
 * which anything is still to be sent, or was refused, is left as it is, however old.
 * @param now ms
 */
export const forgetOld = (now: number): Promise<void> =>
  write(['hires', 'events', 'photos', 'sheets', 'packs', 'days', 'cursors', 'named'], async (tx) => {
    for (const { id, keptAt } of await tx.objectStore('days').getAll()) if (now - keptAt > ALL_MS) await tx.objectStore('days').delete(id);
    const [events, photos, packs] = [tx.objectStore('events'), tx.objectStore('photos'), tx.objectStore('packs')];
    for (const { id, hire } of await packs.getAll()) {
      const over = now - Date.parse(hire.to);
      if (over < PICTURES_MS) continue;
      const own = await events.index('hire').getAll(id);
      const pictures = await photos.getAll(IDBKeyRange.bound([id], [id, []]));
      const closed = own.some(({ stored }) => stored.event.body.kind === 'closed');
      if (!closed || [...own, ...pictures].some(({ state }) => state !== 'synced')) continue;
      if (over < ALL_MS) {
        for (const picture of pictures) if (picture.blob) await photos.put({ ...picture, blob: undefined });
        continue;
      }
      for (const one of own) await events.delete(one.id);
      for (const { sha } of pictures) await photos.delete([id, sha]);
      for (const { sha } of await tx.objectStore('sheets').index('hire').getAll(id)) await tx.objectStore('sheets').delete([id, sha]);
      await tx.objectStore('cursors').delete(id);
      await tx.objectStore('named').delete(draftKey(`party:${id}`));
      await tx.objectStore('hires').delete(id);
      await packs.delete(id);
    }
  });
