import type { Day, HirePack } from '@quay/contract/hire';
import type { Me } from '@quay/contract/session';
import type { Held } from '@quay/core/record/event';
import Dexie, { type EntityTable, type Table } from 'dexie';

/** An event on this phone. `kept`: not yet at the quay. `held`: the quay has it. `refused`: the quay would not take it. */
export type KeptEvent = {
  id: string;
  hire: string;
  state: 'kept' | 'held' | 'refused';
  held: Held;
  grant: string | undefined;
  addedAt: number;
  refusal?: { reason: string; detail: string };
};
export type KeptPhoto = {
  sha: string;
  hire: string;
  state: 'kept' | 'held' | 'refused';
  blob: Blob | undefined;
  bytes: number;
  addedAt: number;
  refusal?: { reason: string; detail: string };
};
export type Named = { name: string; value: unknown };

/**
 * What the phone holds. Every write is on the disk before it is answered (`strict`), so that a flat battery loses
 * nothing that was shown as entered.
 */
class Keep extends Dexie {
  events!: EntityTable<KeptEvent, 'id'>;
  photos!: Table<KeptPhoto, [string, string]>;
  packs!: Table<HirePack & { id: string }, string>;
  days!: Table<Day & { id: string; keptAt: number }, string>;
  cursors!: Table<{ hire: string; cursor: string }, string>;
  named!: EntityTable<Named, 'name'>;

  constructor() {
    super('quay', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      events: 'id, [hire+state], hire, state',
      photos: '[hire+sha], [hire+state], state, sha',
      packs: 'id',
      days: 'id',
      cursors: 'hire',
      named: 'name',
    });
  }
}

export const keep = new Keep();

export const readNamed = async <T>(name: string): Promise<T | undefined> => (await keep.named.get(name))?.value as T | undefined;
export const writeNamed = (name: string, value: unknown): Promise<string> => keep.named.put({ name, value });

/** Who is signed in here, kept so that the phone knows it without signal. */
export const readMe = () => readNamed<Me>('me');

/** The disk is full: nothing that was kept is thrown away for it. */
export const isFull = (error: unknown): boolean =>
  error instanceof Error && (error.name === 'QuotaExceededError' || (error as { inner?: Error }).inner?.name === 'QuotaExceededError');
