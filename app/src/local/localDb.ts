import { type StoredHireEvent } from '@quay/core/record/event';
import type { Sheet } from '@quay/contract/fit';
import type { Day, HirePack } from '@quay/contract/hire';
import type { NewHire } from '@quay/contract/booking';
import type { BoatPack } from '@quay/contract/walkIn';
import type { Me } from '@quay/contract/session';
import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB, type StoreNames, unwrap } from 'idb';
import { onLeaving } from '../platform/browser';
import { holdTransactions } from './transactions';

/**
 * `kept`: not yet at the quay. `held`: the quay has it. `refused`: the quay would not take it. `aside`: a manager took it
 * out of a record that could not be read with it.
 */
export type LocalState = 'pending' | 'synced' | 'refused' | 'aside';
/** Whether an entry is part of the record. */
export const isPart = ({ state }: { state: LocalState }): boolean => state === 'pending' || state === 'synced';
type Refusal = { reason: string; detail: string };

/** An event on this phone. */
export type LocalEvent = {
  id: string;
  hire: string;
  state: LocalState;
  stored: StoredHireEvent;
  grant: string | undefined;
  addedAt: number;
  refusal?: Refusal;
};
/**
 * A picture as it is kept: its bytes, since WebKit keeps no blob at all in a private window. One that was kept before this
 * was known is a blob still.
 */
export type LocalPicture = Blob | { buffer: ArrayBuffer; type: string };
export const pictureToStore = async (blob: Blob): Promise<LocalPicture> => ({ buffer: await blob.arrayBuffer(), type: blob.type });
export const storedPicture = (kept: LocalPicture): Blob => (kept instanceof Blob ? kept : new Blob([kept.buffer], { type: kept.type }));

export type LocalPhoto = {
  sha: string;
  hire: string;
  state: LocalState;
  blob: LocalPicture | undefined;
  /** Made of it for where it is shown among others; stays when the picture itself is let go. */
  small?: LocalPicture;
  bytes: number;
  addedAt: number;
  refusal?: Refusal;
};
/** Who is aboard, by name and mass, under the digest that the record names. */
export type LocalSheet = { sha: string; hire: string; state: LocalState; sheet: Sheet };
export type LocalPack = HirePack & { id: string };
/** A hire that was booked on this phone where there was no signal. */
export type LocalHire = {
  id: string;
  state: LocalState;
  base: string;
  boatName: string;
  body: NewHire;
  addedAt: number;
  refusal?: Refusal;
};
/** A boat as she is hired out without signal; `mark` says which state of the quay's this is. */
export type LocalBoat = BoatPack & { id: string; mark: string };
export type LocalDay = Day & { id: string; keptAt: number };

interface Schema extends DBSchema {
  events: { key: string; value: LocalEvent; indexes: { hire: string; state: LocalState } };
  photos: { key: [string, string]; value: LocalPhoto; indexes: { state: LocalState } };
  sheets: { key: [string, string]; value: LocalSheet; indexes: { hire: string; state: LocalState } };
  packs: { key: string; value: LocalPack; indexes: { boat: string } };
  days: { key: string; value: LocalDay };
  hires: { key: string; value: LocalHire; indexes: { state: LocalState } };
  boats: { key: string; value: LocalBoat };
  cursors: { key: string; value: { hire: string; cursor: string } };
  named: { key: string; value: { name: string; value: unknown } };
}
export type LocalStore = StoreNames<Schema>;
export type Writing<S extends LocalStore> = IDBPTransaction<Schema, S[], 'readwrite'>;

/** Every one this page has opened; with another hire in hand the one before may still be read from. */
const connections: { db: { close: () => void }; giveUp: () => void }[] = [];

const open = async (name: string) => {
  const db = await openDB<Schema>(name, 4, {
    upgrade: (db, from, _to, tx) => {
      if (from < 1) {
        const events = db.createObjectStore('events', { keyPath: 'id' });
        events.createIndex('hire', 'hire');
        events.createIndex('state', 'state');
        db.createObjectStore('photos', { keyPath: ['hire', 'sha'] }).createIndex('state', 'state');
        db.createObjectStore('packs', { keyPath: 'id' });
        db.createObjectStore('days', { keyPath: 'id' });
        db.createObjectStore('cursors', { keyPath: 'hire' });
        db.createObjectStore('named', { keyPath: 'name' });
      }
      if (from < 2) {
        const sheets = db.createObjectStore('sheets', { keyPath: ['hire', 'sha'] });
        sheets.createIndex('hire', 'hire');
        sheets.createIndex('state', 'state');
        // They have grown fields since; they are fetched again.
        void tx.objectStore('packs').clear();
        void tx.objectStore('days').clear();
      }
      if (from < 3) tx.objectStore('packs').createIndex('boat', 'boat.id');
      if (from < 4) {
        db.createObjectStore('hires', { keyPath: 'id' }).createIndex('state', 'state');
        db.createObjectStore('boats', { keyPath: 'id' });
      }
    },
    // A newer page of this app waits for this one to let go.
    blocking: (_version, _blocked, event) => (event.target as IDBDatabase).close(),
  });
  if (pageLeft) db.close();
  else connections.push({ db, giveUp: holdTransactions(unwrap(db as IDBPDatabase<unknown>)) });
  return db;
};

let place = 'jolly-quay';
let opened: ReturnType<typeof open> | undefined;
let pageLeft = false;
const waiting: (() => void)[] = [];

/**
 * The phone's own store, for reading. Whatever is written goes through {@link write}. What a page asks for that was left
 * waits until it is shown again.
 */
export const localDb = async () => {
  for (;;) {
    if (pageLeft) await new Promise<void>((resolve) => waiting.push(resolve));
    const asked = (opened ??= open(place));
    const db = await asked;
    // The page may have been left while it was being opened: then it is closed again, and asked for anew.
    if (opened === asked) return db;
  }
};

// WebKit lets the transactions of a page that was left stand, and whatever the next page asks for waits behind them for
// good: they are given up, whole, and nothing new is begun.
onLeaving(
  () => {
    pageLeft = true;
    for (const { db, giveUp } of connections.splice(0)) {
      giveUp();
      db.close();
    }
    opened = undefined;
  },
  () => {
    pageLeft = false;
    for (const go of waiting.splice(0)) go();
  },
);

/** Chooses where things are kept, before anything is: a renter's hires each have a store of their own. */
export const chooseDatabase = (name: string): void => {
  if (name === place) return;
  [place, opened] = [name, undefined];
};

type Change = (stores: readonly LocalStore[]) => void;
const listeners = new Set<Change>();
// Other tabs of this browser look at the same store.
const others = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('jolly-quay-kept');
others?.addEventListener('message', ({ data }: MessageEvent<LocalStore[]>) => {
  for (const listener of listeners) listener(data);
});

/** Calls back when something in the stores has changed, in this tab or another. @returns how to stop */
export const onLocalChange = (listener: Change): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/**
 * Writes in one transaction, all of it or nothing. It is on the disk before it is answered (`strict`), so that a flat
 * battery loses nothing that was shown as entered. Inside, only the transaction may be awaited.
 * @throws the disk's own error, when it is full for one; see {@link isFull}
 */
export const write = async <T, S extends LocalStore>(stores: S[], work: (tx: Writing<S>) => Promise<T>): Promise<T> => {
  const tx = (await localDb()).transaction(stores, 'readwrite', { durability: 'strict' });
  // Both the work and the transaction may fail for one reason; it is told once.
  const done = tx.done.then(
    () => undefined,
    (error: unknown) => error ?? new Error('the transaction was given up'),
  );
  let result: T;
  try {
    result = await work(tx);
  } catch (error) {
    try {
      tx.abort();
    } catch {
      // It had ended by itself, for the same reason.
    }
    await done;
    throw error;
  }
  const failed = await done;
  if (failed !== undefined) throw failed as Error;
  for (const listener of listeners) listener(stores);
  others?.postMessage(stores);
  return result;
};

export const readNamed = async <T>(name: string): Promise<T | undefined> =>
  (await (await localDb()).get('named', name))?.value as T | undefined;
export const writeNamed = (name: string, value: unknown): Promise<unknown> =>
  write(['named'], (tx) => tx.objectStore('named').put({ name, value }));

/** The store of this phone does not answer; what lies in it is not lost by that. */
export class StoreSilent extends Error {
  constructor() {
    super('the store of this phone does not answer');
  }
}
const PATIENCE_MS = 10_000;

/**
 * Who is signed in here, kept so that the phone knows it without signal. It is the first thing that is asked of the store.
 * @throws StoreSilent after ten seconds, so that nobody looks at an empty page
 */
export const readMe = async (): Promise<Me | undefined> => {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silent = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(new StoreSilent()), PATIENCE_MS);
  });
  try {
    return await Promise.race([readNamed<Me>('me'), silent]);
  } finally {
    clearTimeout(timer);
  }
};

/** The disk is full: nothing that was kept is thrown away for it. */
export const isFull = (error: unknown): boolean => error instanceof DOMException && error.name === 'QuotaExceededError';

/** Events of a hire as they are on this phone, as far as they are part of its record. */
export const eventsHere = async (hireId: string): Promise<LocalEvent[]> =>
  (await (await localDb()).getAllFromIndex('events', 'hire', hireId)).filter(isPart);
