import type { HireRow } from '../../platform/database/tables';
import type { HirePack } from '@quay/contract/hire';
import type { BoatPack } from '@quay/contract/walkIn';
import { findingsOf } from '@quay/core/findings/findings';
import { type Defect, defectsOf, workOf } from '@quay/core/turnaround/work';
import { type Before, beforeOf } from '@quay/core/walk/before';
import type { Knex } from 'knex';
import { type Broken, BrokenRecord, readingRecord, sparing } from '../../platform/database/broken';
import { type QuayKey, readHandoverPolicy, readOperator } from '../../platform/database/setting';
import { type NamedHire, namedHires, toHire } from '../booking/hire';
import { briefedBefore } from '../briefing/briefedBefore';
import { bookOf } from '../fleet/book';
import { groundOf, groundOfBoat, sheetsOf } from '../party/party';
import { earliestDay, listOn, priceList } from '../policy/prices';
import { wholeRecord } from '../record/record';
import { refreshStale } from '../record/refresh';

/** So many earlier hires of a boat are asked for what they left to be done. */
const EARLIER = 6;

/**
 * What the boat's records leave to a hire: marks, counters and pictures of the last one before it that was walked at all,
 * and what the last few left to be done that holds her.
 */
const beforeHire = async (
  db: Knex,
  row: Pick<HireRow, 'id' | 'boat' | 'from'>,
  now: string,
): Promise<(Before & { defects: Defect[] }) | undefined> => {
  const earlier = await db('hire')
    .where({ boat: row.boat })
    .whereNot({ id: row.id })
    .where('from', '<=', row.from)
    .whereIn('state', ['out', 'walkingIn', 'settling', 'closed'])
    .orderBy('from', 'desc')
    .limit(EARLIER)
    .select('id', 'from', 'to');
  let before: Before | undefined;
  const defects: Defect[] = [];
  for (const { id, from, to } of earlier)
    await sparing(db, now, async () => {
      const { record } = await wholeRecord(db, id);
      const book = (await bookOf(db, row.boat, record.bookVersion))?.book;
      if (!book) return;
      before ??= readingRecord(id, () => beforeOf(id, record, book));
      defects.push(...readingRecord(id, () => defectsOf(id, workOf(record, book, findingsOf(record, book, { from, to })))));
    });
  return before && { ...before, defects };
};

/** The hire that has a boat now, beside one that may be asked about. */
const awayWith = async (db: Knex, boat: string, beside: string): Promise<HirePack['away']> => {
  const row = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .where('hire.boat', boat)
    .where('hire.state', 'out')
    .whereNot('hire.id', beside)
    .whereNotNull('hire.castOffAt')
    .orderBy('hire.castOffAt', 'desc')
    .first('hire.id as hire', 'person.name as renter', 'hire.castOffAt as castOffAt', 'hire.to as due')) as
    NonNullable<HirePack['away']> | undefined;
  return row ?? null;
};

/** Everything a phone needs to walk a hire without signal. @throws BrokenRecord */
export const packOf = async (db: Knex, id: string, key: QuayKey, now: string): Promise<HirePack | undefined> => {
  // Whether she is back is another hire's record.
  await refreshStale(db, key, now);
  const row = (await namedHires(db).where('hire.id', id).first()) as NamedHire | undefined;
  if (!row) return undefined;
  if (row.broken !== null) throw new BrokenRecord(id, (JSON.parse(row.broken) as Broken).why);
  const boat = (await db('boat').where({ id: row.boat }).first())!;
  const ground = await groundOf(db, id);
  if (!ground) throw new Error(`hire ${id}: there is no base ${row.base}`);
  const operator = await readOperator(db);
  const book = await bookOf(db, row.boat, row.bookVersion ?? undefined);
  if (!book) throw new Error(`hire ${id}: boat ${row.boat} has no book in version ${row.bookVersion ?? 'now'}`);
  const seals = await db('seal').where({ hire: id }).select('event', 'walk', 'root', 'receivedAt', 'state', 'signature', 'key');
  const { stored: held, aside, record } = await wholeRecord(db, id);
  const gone = new Set(aside.map((one) => one.id));
  const coveredBy = new Map(held.flatMap(({ event }) => (event.body.kind === 'sealed' ? [[event.id, event.body.covers]] : [])));
  const statement = await db('statement').where({ hire: id }).whereNull('corrects').first('number');
  const before = await beforeHire(db, row, now);
  return {
    ...(before ? { before } : {}),
    hire: toHire(row),
    boat: { id: boat.id, name: boat.name, hullNumber: boat.hullNumber },
    ...ground,
    operator: { ...(await readHandoverPolicy(db)), name: operator?.name ?? '' },
    briefedBefore: await briefedBefore(db, row, book.book, now),
    sheets: await sheetsOf(db, id),
    book: book.book,
    bookVersion: book.version,
    away: await awayWith(db, row.boat, id),
    prices: await priceList(db, row.priceVersion),
    previousSeal: boat.lastSeal,
    // Those of a boat that the hire no longer has stay hers.
    seals: seals
      .filter(({ event }) => !record.ofOtherBoat.some((one) => one.event.id === event))
      .map(({ event, ...seal }) => ({ ...seal, aside: (coveredBy.get(event) ?? []).filter((one) => gone.has(one)).length })),
    signerSalt: row.renterSalt,
    statementNumber: statement?.number ?? null,
  };
};

/** All that a pack of a hire of this boat would hold but the hire: for one that is made where there is no signal. */
export const boatPackOf = async (db: Knex, id: string, key: QuayKey, now: string): Promise<BoatPack | undefined> => {
  await refreshStale(db, key, now);
  const boat = await db('boat').where({ id }).first();
  const [ground, book] = [await groundOfBoat(db, id), await bookOf(db, id, undefined)];
  const prices = await listOn(db, await earliestDay(db, now));
  if (!boat || !ground || !book || !prices) return undefined;
  const before = await beforeHire(db, { id: '', boat: id, from: now }, now);
  return {
    ...(before ? { before } : {}),
    boat: { id, name: boat.name, hullNumber: boat.hullNumber },
    ...ground,
    operator: { ...(await readHandoverPolicy(db)), name: (await readOperator(db))?.name ?? '' },
    book: book.book,
    bookVersion: book.version,
    away: await awayWith(db, id, ''),
    prices: await priceList(db, prices.version),
    priceVersion: prices.version,
    previousSeal: boat.lastSeal,
  };
};
