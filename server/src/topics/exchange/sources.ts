import type { Outcome, Source } from '@quay/contract/exchange';
import { FOLLOWED, type Taken } from '@quay/core/booking/incoming';
import { Reading } from '@quay/core/booking/reading';
import type { Knex } from 'knex';
import type { BookingSourceRow } from '../../platform/database/tables';
import { fail } from '../../platform/http/problem';
import { type NamedHire, namedHires } from '../booking/hire';

/** Where bookings come from, and which of them became which hire. */

export const toSource = async (db: Knex, row: BookingSourceRow): Promise<Source> => ({
  id: row.id,
  name: row.name,
  reading: Reading.parse(JSON.parse(row.reading)),
  address: row.address,
  everyMinutes: row.everyMinutes,
  last: row.last === null ? null : (JSON.parse(row.last) as Outcome),
  hires: Number((await db('bookingFrom').where({ source: row.id }).count<{ n: number }>({ n: '*' }).first())?.n ?? 0),
});

const live = (db: Knex) => db('bookingSource').whereNull('withdrawnAt');
export const sourceRow = async (db: Knex, id: string): Promise<BookingSourceRow> =>
  (await live(db).where({ id }).first()) ?? fail(404, 'noSuchSource');
export const sourcesOf = async (db: Knex): Promise<Source[]> => {
  const rows = await live(db).orderBy('name');
  return Promise.all(rows.map((row) => toSource(db, row)));
};

/** One that was read before and looks the same: a table with these heads, a calendar of this name. */
export const sourceLike = async (db: Knex, of: { heads: readonly string[] } | { name: string }): Promise<Source | null> => {
  const row = await (
    'heads' in of ? live(db).where({ heads: JSON.stringify(of.heads) }) : live(db).whereNull('heads').where({ name: of.name })
  )
    .orderBy('madeAt', 'desc')
    .first();
  return row ? toSource(db, row) : null;
};

/** Feeds that cannot be fetched, or of which something waits for somebody. */
export const feedsInTrouble = async (db: Knex): Promise<{ id: string; name: string; last: Outcome }[]> => {
  const rows = await live(db).whereNotNull('address').whereNotNull('last').select('id', 'name', 'last');
  return rows
    .map(({ id, name, last }) => ({ id, name, last: JSON.parse(last!) as Outcome }))
    .filter(({ last }) => last.is === 'failed' || last.conflicts + last.gone + last.faults > 0);
};

/** One whose record cannot be read is changed by whoever mends it. */
const stateNow = ({ state, broken }: NamedHire): Taken['now']['state'] =>
  broken !== null ? 'begun' : state === 'booked' ? 'before' : state === 'cancelled' ? 'cancelled' : 'begun';
const valuesOf = (row: NamedHire) => ({
  ...{ boat: row.boat, from: row.from, to: row.to, renter: row.renterName, contact: row.renterContact },
  ...{ adults: row.adults, children: row.children, notes: row.notes, depositMinor: row.depositMinor },
});

const ASKED_AT_ONCE = 500;
const hiresBy = async (db: Knex, ids: readonly string[]): Promise<Map<string, NamedHire>> => {
  const found = new Map<string, NamedHire>();
  for (let i = 0; i < ids.length; i += ASKED_AT_ONCE)
    for (const row of (await namedHires(db).whereIn('hire.id', ids.slice(i, i + ASKED_AT_ONCE))) as NamedHire[]) found.set(row.id, row);
  return found;
};

/** A key of our own: the id of a hire, or the name that we give it in a calendar. */
export const ownId = (key: string): string => key.split('@')[0]!;

/**
 * What came from a source before, and what of it bears the id of a hire of ours: what was written out here and comes
 * back with a change.
 */
export const takenOf = async (db: Knex, source: string | undefined, keys: readonly string[]): Promise<Taken[]> => {
  const links = source === undefined ? [] : await db('bookingFrom').where({ source });
  const linked = new Set(links.map(({ key }) => key));
  const own = keys.filter((key) => !linked.has(key));
  const hires = await hiresBy(db, [...new Set([...links.map(({ hire }) => hire), ...own.map(ownId)])]);
  const now = (row: NamedHire): Taken['now'] => ({ ...valuesOf(row), version: row.version, state: stateNow(row) });
  return [
    ...links.flatMap(({ key, hire, sequence, was }): Taken[] => {
      const row = hires.get(hire);
      return row ? [{ key, hire, sequence, was: JSON.parse(was) as Taken['was'], now: now(row) }] : [];
    }),
    ...own.flatMap((key): Taken[] => {
      const row = hires.get(ownId(key));
      return row
        ? [{ key, hire: row.id, sequence: 0, was: { ...valuesOf(row), cancelled: row.state === 'cancelled' }, now: now(row) }]
        : [];
    }),
  ];
};

/** Remembers what a booking of elsewhere said when it was taken. */
export const rememberTaken = (
  db: Knex,
  source: string,
  { key, hire, sequence, was }: { key: string; hire: string; sequence: number; was: Taken['was'] },
) => {
  const kept = { cancelled: was.cancelled, ...Object.fromEntries(FOLLOWED.map((field) => [field, was[field]])) };
  return db('bookingFrom')
    .insert({ source, key, hire, sequence, was: JSON.stringify(kept) })
    .onConflict(['source', 'key'])
    .merge();
};
