import type { BoatShelf } from '@quay/contract/fleet';
import { Book } from '@quay/core/fleet/book';
import { lacksOf } from '@quay/core/fleet/lacks/lacks';
import type { Knex } from 'knex';
import { readHandoverPolicy } from '../../platform/database/setting';
import { newestList } from '../policy/prices';

/** What books are held against here: codes of the price list, and the languages renters are spoken to in. */
export const knownHere = async (db: Knex, now: string): Promise<BoatShelf['known']> => ({
  prices: ((await newestList(db, now))?.prices ?? []).map(({ code }) => code),
  languages: (await readHandoverPolicy(db)).languages,
});

/** Books that were looked at, by database, boat and version; what they are held against is part of it. */
const looked = new WeakMap<Knex, Map<string, { of: string; count: number }>>();

/** How many boats there are whose books lack something. A book is looked at once as long as nothing about it changes. */
export const boatsLacking = async (db: Knex, now: string): Promise<number> => {
  const known = await knownHere(db, now);
  const against = { prices: new Set(known.prices), languages: known.languages };
  const shared = JSON.stringify(known);
  const seen = looked.get(db) ?? new Map<string, { of: string; count: number }>();
  looked.set(db, seen);
  let lacking = 0;
  for (const { id, bookVersion } of await db('boat').select('id', 'bookVersion')) {
    const of = `${bookVersion} ${shared}`;
    let found = seen.get(id);
    if (found?.of !== of) {
      // One at a time: others are answered between two of them.
      const row = await db('book').where({ boat: id, version: bookVersion }).first('resolved');
      found = { of, count: row ? lacksOf(Book.parse(JSON.parse(row.resolved)), against).length : 0 };
      seen.set(id, found);
    }
    if (found.count > 0) lacking += 1;
  }
  return lacking;
};
