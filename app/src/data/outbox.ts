import { appendEvents, photoState, readEvents, sendPhoto } from '@quay/contract/record';
import type { Me } from '@quay/contract/session';
import { type EventBody, EVENT_VERSION, type Held, type HireEvent } from '@quay/core/record/event';
import { nameOfBytes } from '@quay/core/record/canonical';
import { readEvent } from '@quay/core/record/upcast';
import { v7 as uuidv7 } from 'uuid';
import { call, NoAnswer, onEpoch, Refused } from './api';
import { keep, type KeptEvent, readMe, readNamed, writeNamed } from './keep';

/**
 * The one outbox. An entry is in IndexedDB before the screen changes; delivery may be cut off at any moment and done
 * again; nothing is ever taken out because it could not be delivered.
 */

export type Entry = { body: EventBody; replaces?: readonly string[] };

/** Nobody is known to be signed in on this phone. */
export class NobodyHere extends Error {}

/** Keeps events of a hire, all of them or none. @returns them as they now stand @throws NobodyHere, or the disk's own error when it is full */
export const keepEvents = async (hire: string, bookVersion: number, entries: readonly Entry[], now = Date.now()): Promise<Held[]> => {
  const rows = await keep.transaction('rw', keep.events, keep.named, async () => {
    const me = await readMe();
    if (!me) throw new NobodyHere();
    const grant = await readNamed<string>(`grant:${me.staff.id}`);
    const last = (await readNamed<number>(`seq:${me.device.id}`)) ?? 0;
    const made = entries.map(({ body, replaces = [] }, i): KeptEvent => {
      const event: HireEvent = {
        id: uuidv7(),
        v: EVENT_VERSION,
        stream: hire,
        device: me.device.id,
        deviceSeq: last + i + 1,
        at: new Date(now + i).toISOString(),
        bookVersion,
        replaces: [...replaces],
        body,
      };
      return { id: event.id, hire, state: 'kept', held: { event, actor: { id: me.staff.id, role: me.staff.role } }, grant, addedAt: now };
    });
    await writeNamed(`seq:${me.device.id}`, last + entries.length);
    await keep.events.bulkAdd(made);
    return made;
  });
  void deliver();
  return rows.map(({ held }) => held);
};

/** Keeps a photograph under its own name. @returns its SHA-256 */
export const keepPhoto = async (hire: string, blob: Blob): Promise<string> => {
  const sha = nameOfBytes(new Uint8Array(await blob.arrayBuffer()));
  const there = await keep.photos.get([hire, sha]);
  if (!there) await keep.photos.add({ sha, hire, state: 'kept', blob, bytes: blob.size, addedAt: Date.now() });
  return sha;
};

export type Delivery = { state: 'idle' | 'busy' | 'noAnswer' | 'signIn'; at: number };
let latest: Delivery = { state: 'idle', at: 0 };
const listeners = new Set<() => void>();
export const deliveryState = (): Delivery => latest;
export const onDelivery = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const say = (state: Delivery['state']) => {
  latest = { state, at: Date.now() };
  for (const listener of listeners) listener();
};

const BATCH = 200;
const PIECE = 1024 * 1024;

const deliverEvents = async () => {
  const waiting = await keep.events.where('state').equals('kept').sortBy('held.event.deviceSeq');
  // In their makers' names: one batch never mixes hires or people.
  const groups = new Map<string, KeptEvent[]>();
  for (const row of waiting) {
    const key = `${row.hire}\n${row.grant ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  let stuck: Refused | undefined;
  for (const rows of groups.values()) {
    for (let i = 0; i < rows.length; i += BATCH) {
      const batch = rows.slice(i, i + BATCH);
      const [{ hire, grant }] = batch as [KeptEvent, ...KeptEvent[]];
      try {
        const reply = await call(appendEvents, {
          params: { hireId: hire },
          headers: grant === undefined ? {} : { 'x-quay-grant': grant },
          body: { sentAt: new Date().toISOString(), events: batch.map(({ held }) => held.event) },
        });
        await keep.transaction('rw', keep.events, async () => {
          for (const id of reply.held) await keep.events.update(id, { state: 'held' });
          for (const { id, reason, detail } of reply.refused)
            await keep.events.update(id, { state: 'refused', refusal: { reason, detail } });
        });
      } catch (error) {
        // A refusal of the whole batch changes nothing here: somebody signs in, and it goes on. Other batches may pass.
        if (!(error instanceof Refused)) throw error;
        stuck = error;
      }
    }
  }
  if (stuck) throw stuck;
};

const deliverPhotos = async () => {
  for (const { hire, sha, blob } of await keep.photos.where('state').equals('kept').toArray()) {
    if (!blob) continue;
    try {
      let { bytes, complete } = await call(photoState, { params: { hireId: hire, sha } });
      while (!complete) {
        ({ bytes, complete } = await call(sendPhoto, {
          params: { hireId: hire, sha },
          query: { offset: String(bytes), size: String(blob.size) },
          bytes: blob.slice(bytes, bytes + PIECE),
        }));
      }
      await keep.photos.update([hire, sha], { state: 'held' });
    } catch (error) {
      if (!(error instanceof Refused) || ![413, 415, 422].includes(error.problem.status)) throw error;
      await keep.photos.update([hire, sha], {
        state: 'refused',
        refusal: { reason: error.problem.code, detail: `${error.problem.title} ${error.problem.detail ?? ''}` },
      });
    }
  }
};

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
      await deliverEvents();
      await deliverPhotos();
      say('idle');
    } catch (error) {
      if (error instanceof Refused) say(error.problem.status === 401 || error.problem.status === 403 ? 'signIn' : 'noAnswer');
      else if (error instanceof NoAnswer) say('noAnswer');
      else throw error;
    }
  };
  running = (async () => {
    do {
      again = false;
      await ('locks' in navigator ? navigator.locks.request('quay-outbox', once) : once());
    } while (again);
  })().finally(() => {
    running = undefined;
  });
  return running;
};

/** Fetches what others added to a hire, by cursor. @throws Refused, NoAnswer */
export const fetchEvents = async (hire: string): Promise<void> => {
  for (;;) {
    const after = (await keep.cursors.get(hire))?.cursor;
    const page = await call(readEvents, { params: { hireId: hire }, query: after === undefined ? {} : { after } });
    await keep.transaction('rw', keep.events, keep.cursors, async () => {
      for (const { event, ...meta } of page.events) {
        const read = readEvent(event);
        // Written by a newer version of this program: the page is left, and fetched again after the update.
        if (!read.ok) throw new Error(`event of the quay cannot be read: ${read.reason}`);
        const own = await keep.events.get(read.event.id);
        await keep.events.put({
          id: read.event.id,
          hire,
          state: 'held',
          held: { event: read.event, ...meta },
          grant: own?.grant,
          addedAt: own?.addedAt ?? Date.now(),
        });
      }
      if (page.events.length > 0) await keep.cursors.put({ hire, cursor: page.cursor });
    });
    if (!page.more) return;
  }
};

/**
 * The quay's data was restored: what this phone had delivered may be missing there. It is all delivered again, which
 * changes nothing where it is not; and everything is fetched again.
 */
const noticeRestored = async (epoch: string): Promise<void> => {
  const restored = await keep.transaction('rw', keep.events, keep.photos, keep.cursors, keep.named, async () => {
    const known = await readNamed<string>('epoch');
    if (known === epoch) return false;
    await writeNamed('epoch', epoch);
    if (known === undefined) return false;
    const device = (await readMe())?.device.id;
    await keep.events
      .where('state')
      .equals('held')
      .filter(({ held }) => held.event.device === device)
      .modify({ state: 'kept' });
    // The quay's own word is its to give again.
    await keep.events.filter(({ held }) => held.event.device === 'quay').delete();
    await keep.photos
      .where('state')
      .equals('held')
      .filter(({ blob }) => blob !== undefined)
      .modify({ state: 'kept' });
    await keep.cursors.clear();
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
export const keptCount = async (): Promise<{ kept: number; refused: number; since: number | undefined }> => {
  const [events, photos, refusedEvents, refusedPhotos] = await Promise.all([
    keep.events.where('state').equals('kept').toArray(),
    keep.photos.where('state').equals('kept').toArray(),
    keep.events.where('state').equals('refused').count(),
    keep.photos.where('state').equals('refused').count(),
  ]);
  const times = [...events, ...photos].map(({ addedAt }) => addedAt);
  return { kept: times.length, refused: refusedEvents + refusedPhotos, since: times.length > 0 ? Math.min(...times) : undefined };
};

/** Remembers who signed in, and the grant under which what they make can be delivered later. */
export const rememberMe = (me: Me, grant: string | undefined) =>
  keep.transaction('rw', keep.named, async () => {
    await writeNamed('me', me);
    if (grant === undefined) return;
    await writeNamed(`grant:${me.staff.id}`, grant);
  });

/** Entries made before this person signed in again go out under the fresh grant. */
export const renewGrants = async (me: Me, grant: string): Promise<void> => {
  await keep.events
    .where('state')
    .equals('kept')
    .filter(({ held }) => held.actor.id === me.staff.id)
    .modify({ grant });
};
