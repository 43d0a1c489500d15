import { replacedBy } from '@quay/core/record/project';
import { keepSheet as sendSheet, type Sheet } from '@quay/contract/fit';
import { appendEvents, photoState, readEvents, sendPhoto } from '@quay/contract/record';
import type { Me } from '@quay/contract/session';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import type { Actor } from '@quay/core/events/stored';
import { EVENT_VERSION } from '@quay/core/events/version';
import { digestOf, nameOfBytes } from '@quay/core/events/canonical';
import { type Drawn } from '@quay/core/events/replaces';
import { attachmentsOf } from '@quay/core/record/event';
import { trustEvent } from '@quay/core/record/upcast';
import { readEvent } from '@quay/core/record/readEvent';
import { v7 as uuidv7 } from 'uuid';
import { oneAtATime } from '../platform/browser';
import { call, NoAnswer, onEpoch, Refused } from './api';
import { now as present } from '../platform/clock';
import { isPart, localDb, type LocalEvent, type LocalPhoto, storedPicture, pictureToStore, write, type Writing } from './localDb';

/**
 * The one outbox. An entry is in IndexedDB before the screen changes; delivery may be cut off at any moment and done
 * again; nothing is ever taken out because it could not be delivered.
 */

/** Without `replaces` it replaces what stood, see {@link replacedBy}. */
export type Entry = { body: EventBody; replaces?: readonly string[] };

/** As far as entries need to know who makes them: staff who signed in, or the renter whose link this is. */
export type Author = { staff: { id: string; name: string; role: Actor['role'] }; device: { id: string } };

/** Nobody is known to be signed in on this phone. */
export class NotSignedIn extends Error {}

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
  bookVersion: number,
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
        bookVersion,
        replaces: [...(replaces ?? (drawn ? replacedBy(body, drawn, since) : []))],
        body,
      };
      const held: StoredHireEvent = { event, actor: { id: me.staff.id, role: me.staff.role } };
      since.push(held);
      return { id: event.id, hire, state: 'pending', stored: held, grant, addedAt: now };
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
export const keepPhoto = async (hire: string, blob: Blob): Promise<string> => {
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
export const isKeptPhoto = async (hire: string, blob: Blob): Promise<boolean> =>
  (await (await localDb()).getKey('photos', [hire, nameOfBytes(new Uint8Array(await blob.arrayBuffer()))])) !== undefined;

/** Keeps a sheet of people under the digest that an event will name. @returns its SHA-256 */
export const keepSheet = async (hire: string, sheet: Sheet): Promise<string> => {
  const sha = digestOf(sheet);
  await write(['sheets'], async (tx) => {
    const sheets = tx.objectStore('sheets');
    if (!(await sheets.get([hire, sha]))) await sheets.add({ sha, hire, state: 'pending', sheet });
  });
  return sha;
};

/** `wait`: the quay asks this phone not to send so much at once; `quayFull`: its disk has no room left. */
export type Delivery = { state: 'idle' | 'busy' | 'noAnswer' | 'signIn' | 'wait' | 'quayFull'; at: number };
let latest: Delivery = { state: 'idle', at: 0 };
const listeners = new Set<() => void>();
export const deliveryState = (): Delivery => latest;
export const onDelivery = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const say = (state: Delivery['state']) => {
  latest = { state, at: present() };
  for (const listener of listeners) listener();
};

const BATCH = 200;
const PIECE = 1024 * 1024;

/** Sheets go ahead of the events that name them, so that nobody sees a party without its people. */
const deliverSheets = async () => {
  for (const row of await (await localDb()).getAllFromIndex('sheets', 'state', 'pending')) {
    await call(sendSheet, { params: { hireId: row.hire }, body: { sheet: row.sheet } });
    await write(['sheets'], (tx) => tx.objectStore('sheets').put({ ...row, state: 'synced' }));
  }
};

/** @returns `signIn` where something waits until its maker is signed in here again @throws Refused, NoAnswer */
const deliverEvents = async (): Promise<'idle' | 'signIn'> => {
  const waiting = (await (await localDb()).getAllFromIndex('events', 'state', 'pending')).sort(
    (a, b) => a.stored.event.deviceSeq - b.stored.event.deviceSeq,
  );
  // In their makers' names: one batch never mixes hires or people.
  const groups = new Map<string, LocalEvent[]>();
  for (const row of waiting) {
    const key = `${row.hire}\n${row.grant ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  let stuck: Refused | undefined;
  let makerGone = false;
  for (const rows of groups.values()) {
    for (let i = 0; i < rows.length; i += BATCH) {
      const batch = rows.slice(i, i + BATCH);
      const [{ hire, grant }] = batch as [LocalEvent, ...LocalEvent[]];
      try {
        const reply = await call(appendEvents, {
          params: { hireId: hire },
          headers: grant === undefined ? {} : { 'x-quay-grant': grant },
          body: { sentAt: new Date(present()).toISOString(), events: batch.map(({ stored }) => stored.event) },
        });
        await write(['events'], async (tx) => {
          const events = tx.objectStore('events');
          const change = async (id: string, part: Partial<LocalEvent>) => {
            const row = await events.get(id);
            if (row) await events.put({ ...row, ...part });
          };
          for (const id of reply.synced) await change(id, { state: 'synced' });
          for (const { id, reason, detail } of reply.refused) {
            // It is not refused for good: it goes out once its maker is signed in here again.
            if (reason === 'makerGone') makerGone = true;
            else await change(id, { state: 'refused', refusal: { reason, detail } });
          }
        });
      } catch (error) {
        // A refusal of the whole batch changes nothing here: somebody signs in, and it goes on. Other batches may pass.
        if (!(error instanceof Refused)) throw error;
        stuck = error;
      }
    }
  }
  if (stuck) throw stuck;
  return makerGone ? 'signIn' : 'idle';
};

const changePhoto = (hire: string, sha: string, part: Partial<LocalPhoto>) =>
  write(['photos'], async (tx) => {
    const row = await tx.objectStore('photos').get([hire, sha]);
    if (row) await tx.objectStore('photos').put({ ...row, ...part });
  });

/** Photographs of these hires that an entry in one of these states speaks of. What was taken and then left out of every entry is nobody's. */
export const namedPhotos = async (hires: Iterable<string>, states: readonly LocalEvent['state'][]): Promise<Set<string>> => {
  const db = await localDb();
  const named = new Set<string>();
  for (const hire of new Set(hires)) {
    for (const { state, stored } of await db.getAllFromIndex('events', 'hire', hire))
      if (states.includes(state)) for (const sha of attachmentsOf(stored.event.body)) named.add(`${hire}/${sha}`);
  }
  return named;
};

/** Refusals that are about the one photograph: it stays here and is shown as refused, and the others go on. */
const ABOUT_IT: readonly number[] = [409, 413, 415, 422];

const deliverPhotos = async () => {
  const kept = await (await localDb()).getAllFromIndex('photos', 'state', 'pending');
  const named = await namedPhotos(
    kept.map(({ hire }) => hire),
    ['synced', 'aside'],
  );
  for (const { hire, sha, blob: picture } of kept) {
    if (!picture || !named.has(`${hire}/${sha}`)) continue;
    const blob = storedPicture(picture);
    try {
      let { bytes, complete } = await call(photoState, { params: { hireId: hire, sha } });
      while (!complete) {
        ({ bytes, complete } = await call(sendPhoto, {
          params: { hireId: hire, sha },
          query: { offset: String(bytes), size: String(blob.size) },
          bytes: blob.slice(bytes, bytes + PIECE),
        }));
      }
      await changePhoto(hire, sha, { state: 'synced' });
    } catch (error) {
      if (!(error instanceof Refused) || !ABOUT_IT.includes(error.problem.status)) throw error;
      // The entry that speaks of it is not at the quay any more, which a restored one finds out by itself.
      if (error.problem.code === 'notNamed') continue;
      await changePhoto(hire, sha, {
        state: 'refused',
        refusal: { reason: error.problem.code, detail: '' },
      });
    }
  }
};

const STATE_OF: Readonly<Record<number, Delivery['state']>> = { 401: 'signIn', 403: 'signIn', 429: 'wait', 507: 'quayFull' };

let running: Promise<void> | undefined;
let again = false;

/** Delivers what is kept; calls while it runs make it run once more. One tab at a time, where the browser can tell. */
export const deliver = (): Promise<void> => {
  if (running) {
    again = true;
    return running;
  }
  const once = async () => {
    say('busy');
    try {
      await deliverSheets();
      const after = await deliverEvents();
      await deliverPhotos();
      say(after);
    } catch (error) {
      if (error instanceof Refused) {
        say(STATE_OF[error.problem.status] ?? 'noAnswer');
      } else if (error instanceof NoAnswer) say('noAnswer');
      else throw error;
    }
  };
  running = (async () => {
    do {
      again = false;
      await oneAtATime('quay-outbox', once);
    } while (again);
  })().finally(() => {
    running = undefined;
  });
  return running;
};

/** What a manager has set aside, or taken back, since this phone looked last. */
const noteAside = async (hire: string, aside: readonly string[]): Promise<void> => {
  const rows = await (await localDb()).getAllFromIndex('events', 'hire', hire);
  const changed = rows.filter(({ id, state }) => (state === 'synced' || state === 'aside') && (state === 'aside') !== aside.includes(id));
  if (changed.length === 0) return;
  await write(['events'], async (tx) => {
    for (const row of changed) await tx.objectStore('events').put({ ...row, state: row.state === 'aside' ? 'synced' : 'aside' });
  });
};

/** Fetches what others added to a hire, by cursor. @throws Refused, NoAnswer */
export const fetchEvents = async (hire: string): Promise<void> => {
  for (;;) {
    const after = (await (await localDb()).get('cursors', hire))?.cursor;
    const page = await call(readEvents, { params: { hireId: hire }, query: after === undefined ? {} : { after } });
    await noteAside(hire, page.aside);
    if (page.events.length === 0) return;
    await write(['events', 'cursors'], async (tx) => {
      const events = tx.objectStore('events');
      for (const { event, ...meta } of page.events) {
        const read = trustEvent(event);
        // Written by a newer version of this program: the page is left, and fetched again after the update.
        if (!read.ok) throw new Error(`event of the quay cannot be read: ${read.reason}`);
        const own = await events.get(read.event.id);
        await events.put({
          id: read.event.id,
          hire,
          state: page.aside.includes(read.event.id) ? 'aside' : 'synced',
          stored: { event: read.event, ...meta },
          grant: own?.grant,
          addedAt: own?.addedAt ?? present(),
        });
      }
      await tx.objectStore('cursors').put({ hire, cursor: page.cursor });
    });
    if (!page.more) return;
  }
};

/**
 * The quay's data was restored: what this phone had delivered may be missing there. It is all delivered again, which
 * changes nothing where it is not; and everything is fetched again.
 */
const noticeRestored = async (epoch: string): Promise<void> => {
  const restored = await write(['events', 'photos', 'sheets', 'cursors', 'named'], async (tx) => {
    const named = tx.objectStore('named');
    const known = (await named.get('epoch'))?.value;
    if (known === epoch) return false;
    await named.put({ name: 'epoch', value: epoch });
    if (known === undefined) return false;
    const device = ((await named.get('me'))?.value as Me | undefined)?.device.id;
    const [events, photos] = [tx.objectStore('events'), tx.objectStore('photos')];
    for (const row of [...(await events.index('state').getAll('synced')), ...(await events.index('state').getAll('aside'))]) {
      // The quay's own word is its to give again.
      if (row.stored.event.device === 'quay') await events.delete(row.id);
      else if (row.stored.event.device === device) await events.put({ ...row, state: 'pending' });
    }
    for (const row of await photos.index('state').getAll('synced')) if (row.blob) await photos.put({ ...row, state: 'pending' });
    const sheets = tx.objectStore('sheets');
    for (const row of await sheets.index('state').getAll('synced')) await sheets.put({ ...row, state: 'pending' });
    await tx.objectStore('cursors').clear();
    return true;
  });
  if (restored) void deliver();
};
let seenEpoch: string | undefined;
onEpoch((epoch) => {
  if (epoch === seenEpoch) return;
  seenEpoch = epoch;
  void noticeRestored(epoch);
});

/** How much is still to be sent, and since when. */
export const pendingCount = async (): Promise<{ kept: number; refused: number; since: number | undefined }> => {
  const db = await localDb();
  const [events, photos, refusedEvents, refusedPhotos] = await Promise.all([
    db.getAllFromIndex('events', 'state', 'pending'),
    db.getAllFromIndex('photos', 'state', 'pending'),
    db.countFromIndex('events', 'state', 'refused'),
    db.countFromIndex('photos', 'state', 'refused'),
  ]);
  const named = await namedPhotos(
    photos.map(({ hire }) => hire),
    ['pending', 'synced', 'aside'],
  );
  const times = [...events, ...photos.filter(({ hire, sha }) => named.has(`${hire}/${sha}`))].map(({ addedAt }) => addedAt);
  return { kept: times.length, refused: refusedEvents + refusedPhotos, since: times.length > 0 ? Math.min(...times) : undefined };
};

/** Remembers who signed in, and the grant under which what they make can be delivered later. */
export const rememberMe = (me: Me, grant: string | undefined) =>
  write(['named'], async (tx) => {
    const named = tx.objectStore('named');
    await named.put({ name: 'me', value: me });
    if (grant !== undefined) await named.put({ name: `grant:${me.staff.id}`, value: grant });
  });

/** Entries made before this person signed in again go out under the fresh grant. */
export const renewGrants = (me: Me, grant: string): Promise<void> =>
  write(['events'], async (tx) => {
    const events = tx.objectStore('events');
    for (const row of await events.index('state').getAll('pending'))
      if (row.stored.actor.id === me.staff.id) await events.put({ ...row, grant });
  });

/** Remembers who makes entries on this phone, where nobody signs in: the renter whose link it is. */
export const rememberWhom = (whom: Author) => write(['named'], (tx) => tx.objectStore('named').put({ name: 'me', value: whom }));
