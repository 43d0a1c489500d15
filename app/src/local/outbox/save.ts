import { deliver } from './deliver';
import { type Author, NotSignedIn } from './author';
import { replacedBy } from '@quay/core/record/project';
import { type Sheet } from '@quay/contract/fit';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import { EVENT_VERSION } from '@quay/core/events/version';
import { digestOf, nameOfBytes } from '@quay/core/events/canonical';
import { type Drawn } from '@quay/core/events/replaces';
import { readEvent } from '@quay/core/record/readEvent';
import { v7 as uuidv7 } from 'uuid';
import { now as present } from '../../platform/clock';
import { isPart, localDb, type LocalEvent, pictureToStore, write, type Writing } from '../localDb';

/**
 * The one outbox. An entry is in IndexedDB before the screen changes; delivery may be cut off at any moment and done
 * again; nothing is ever taken out because it could not be delivered.
 */

/** Without `replaces` it replaces what stood, see {@link replacedBy}. */
export type Entry = { body: EventBody; replaces?: readonly string[] };

/** The book that was looked into, and the boat it is of. */
export type MadeWith = { version: number; boat?: string };

/** What was entered is no entry that the quay could take; nothing of it was kept, and what was typed still stands where it was. */
export class DoesNotFit extends Error {}

/** What this phone has entered of a hire since it was drawn: a thumb is faster than a page. */
const enteredSince = async (
  tx: Writing<'events' | 'named'>,
  hire: string,
  device: string,
  drawn: Drawn<EventBody>,
): Promise<StoredHireEvent[]> => {
  const store = tx.objectStore('events');
  const seen = new Set(drawn.events.map(({ event }) => event.id));
  const ids = (await store.index('hire').getAllKeys(hire)).filter((id) => !seen.has(id));
  const rows = await Promise.all(ids.map((id) => store.get(id)));
  return rows.flatMap((row) => (row && isPart(row) && row.stored.event.device === device ? [row.stored] : []));
};

/**
 * Keeps events of a hire, all of them or none.
 * @param drawn of entries that say nothing of what they replace
 * @returns them as they now stand @throws NotSignedIn, DoesNotFit, or the disk's own error when it is full
 */
export const saveEvents = async (
  hire: string,
  { version, boat }: MadeWith,
  entries: readonly Entry[],
  drawn?: Drawn<EventBody>,
  now = present(),
): Promise<StoredHireEvent[]> => {
  const rows = await write(['events', 'named'], async (tx) => {
    const named = tx.objectStore('named');
    const me = (await named.get('me'))?.value as Author | undefined;
    if (!me) throw new NotSignedIn();
    const grant = (await named.get(`grant:${me.staff.id}`))?.value as string | undefined;
    const seq = `seq:${me.device.id}`;
    const last = ((await named.get(seq))?.value as number | undefined) ?? 0;
    const since = drawn ? await enteredSince(tx, hire, me.device.id, drawn) : [];
    const made = entries.map(({ body, replaces }, i): LocalEvent => {
      const event: HireEvent = {
        id: uuidv7(),
        v: EVENT_VERSION,
        stream: hire,
        device: me.device.id,
        deviceSeq: last + i + 1,
        at: new Date(now + i).toISOString(),
        bookVersion: version,
        ...(boat === undefined ? {} : { boat }),
        replaces: [...(replaces ?? (drawn ? replacedBy(body, drawn, since) : []))],
        body,
      };
      const stored: StoredHireEvent = { event, actor: { id: me.staff.id, role: me.staff.role } };
      since.push(stored);
      return { id: event.id, hire, state: 'pending', stored, grant, addedAt: now };
    });
    for (const { stored } of made) {
      // By the same schema as at the quay: what it must refuse would be signed here and never be held there.
      const read = readEvent(stored.event);
      if (!read.ok) throw new DoesNotFit(`${stored.event.body.kind}, ${read.detail}`);
    }
    await named.put({ name: seq, value: last + entries.length });
    for (const row of made) await tx.objectStore('events').add(row);
    return made;
  });
  void deliver();
  return rows.map(({ stored }) => stored);
};

/** Keeps a photograph under its own name. @returns its SHA-256 */
export const savePhoto = async (hire: string, blob: Blob): Promise<string> => {
  const sha = nameOfBytes(new Uint8Array(await blob.arrayBuffer()));
  const picture = await pictureToStore(blob);
  await write(['photos'], async (tx) => {
    const photos = tx.objectStore('photos');
    if (!(await photos.get([hire, sha])))
      await photos.add({ sha, hire, state: 'pending', blob: picture, bytes: blob.size, addedAt: present() });
  });
  return sha;
};

/** Whether this very picture is kept of this hire already, byte for byte. */
export const isSavedPhoto = async (hire: string, blob: Blob): Promise<boolean> =>
  (await (await localDb()).getKey('photos', [hire, nameOfBytes(new Uint8Array(await blob.arrayBuffer()))])) !== undefined;

/** Keeps a sheet of people under the digest that an event will name. @returns its SHA-256 */
export const saveSheet = async (hire: string, sheet: Sheet): Promise<string> => {
  const sha = digestOf(sheet);
  await write(['sheets'], async (tx) => {
    const sheets = tx.objectStore('sheets');
    if (!(await sheets.get([hire, sha]))) await sheets.add({ sha, hire, state: 'pending', sheet });
  });
  return sha;
};
