import { bookHire } from '@quay/contract/booking';
import { sendSheet } from '@quay/contract/fit';
import { appendEvents, photoState, sendPhoto } from '@quay/contract/record';
import { attachmentsOf } from '@quay/core/record/event';
import { oneAtATime } from '../../platform/browser';
import { call, NoAnswer, Refused } from '../api';
import { now as present } from '../../platform/clock';
import { localDb, type LocalEvent, type LocalHire, type LocalPhoto, storedPicture, write } from '../localDb';

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

/** Refusals that are about the one thing: it stays here and is shown as refused, and the others go on. */
const ABOUT_IT: readonly number[] = [400, 404, 409, 413, 415, 422];

/**
 * Hires that were booked here go ahead of all that is entered of them.
 * @returns those that the quay does not have: nothing of theirs can go out
 */
const deliverHires = async (): Promise<ReadonlySet<string>> => {
  const change = (row: LocalHire, part: Partial<LocalHire>) => write(['hires'], (tx) => tx.objectStore('hires').put({ ...row, ...part }));
  for (const row of await (await localDb()).getAllFromIndex('hires', 'state', 'pending')) {
    try {
      await call(bookHire, { body: row.body });
      await change(row, { state: 'synced' });
    } catch (error) {
      if (!(error instanceof Refused) || !ABOUT_IT.includes(error.problem.status)) throw error;
      await change(row, { state: 'refused', refusal: { reason: error.problem.code, detail: '' } });
    }
  }
  // One that was booked this very moment goes out the next time.
  const db = await localDb();
  const left = await Promise.all((['pending', 'refused'] as const).map((state) => db.getAllKeysFromIndex('hires', 'state', state)));
  return new Set(left.flat());
};

/** Sheets go ahead of the events that name them, so that nobody sees a party without its people. */
const deliverSheets = async (nowhere: ReadonlySet<string>) => {
  for (const row of await (await localDb()).getAllFromIndex('sheets', 'state', 'pending')) {
    if (nowhere.has(row.hire)) continue;
    await call(sendSheet, { params: { hireId: row.hire }, body: { sheet: row.sheet } });
    await write(['sheets'], (tx) => tx.objectStore('sheets').put({ ...row, state: 'synced' }));
  }
};

/** @returns `signIn` where something waits until its maker is signed in here again @throws Refused, NoAnswer */
const deliverEvents = async (nowhere: ReadonlySet<string>): Promise<'idle' | 'signIn'> => {
  const waiting = (await (await localDb()).getAllFromIndex('events', 'state', 'pending'))
    .filter(({ hire }) => !nowhere.has(hire))
    .sort((a, b) => a.stored.event.deviceSeq - b.stored.event.deviceSeq);
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

const deliverPhotos = async () => {
  const pending = await (await localDb()).getAllFromIndex('photos', 'state', 'pending');
  const named = await namedPhotos(
    pending.map(({ hire }) => hire),
    ['synced', 'aside'],
  );
  for (const { hire, sha, blob: picture } of pending) {
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
      const nowhere = await deliverHires();
      await deliverSheets(nowhere);
      const after = await deliverEvents(nowhere);
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

/** How much is still to be sent, and since when. */
export const pendingCount = async (): Promise<{ pending: number; refused: number; since: number | undefined }> => {
  const db = await localDb();
  const [hires, refusedHires, events, photos, refusedEvents, refusedPhotos] = await Promise.all([
    db.getAllFromIndex('hires', 'state', 'pending'),
    db.countFromIndex('hires', 'state', 'refused'),
    db.getAllFromIndex('events', 'state', 'pending'),
    db.getAllFromIndex('photos', 'state', 'pending'),
    db.countFromIndex('events', 'state', 'refused'),
    db.countFromIndex('photos', 'state', 'refused'),
  ]);
  const named = await namedPhotos(
    photos.map(({ hire }) => hire),
    ['pending', 'synced', 'aside'],
  );
  const times = [...hires, ...events, ...photos.filter(({ hire, sha }) => named.has(`${hire}/${sha}`))].map(({ addedAt }) => addedAt);
  return {
    pending: times.length,
    refused: refusedHires + refusedEvents + refusedPhotos,
    since: times.length > 0 ? Math.min(...times) : undefined,
  };
};
