import type { Knex } from 'knex';
import type { DayHire, HireState } from '@quay/core/day/board';
import { dayOf, instantOf } from '@quay/core/time/zone';
import { PriceList } from '@quay/core/settlement/prices';
import type { Hire, HirePack } from '@quay/contract/hire';
import type { Handover } from '@quay/core/policy/school';
import { type Before, beforeOf } from '@quay/core/walk/before';
import { findingsOf } from '@quay/core/findings/findings';
import { type Defect, defectsOf, workOf } from '@quay/core/turnaround/work';
import { groundOf, sheetsOf } from './fit';
import { type Broken, BrokenRecord, readingRecord, sparing } from './broken';
import { bookOf, wholeRecord } from './record';
import { refreshStale } from './refresh';
import { type QuayKey, readHanding, readOperator } from './setting';
import { toldBefore } from './told';

export type HireRow = {
  id: string;
  boat: string;
  base: string;
  renter: string;
  language: string;
  handover: Handover;
  adults: number;
  children: number;
  from: string;
  to: string;
  depositMinor: number;
  notes: string;
  version: number;
  bookVersion: number | null;
  priceVersion: number;
  state: HireState;
  castOffAt: string | null;
  cameInAt: string | null;
  hold: string | null;
  attention: string | null;
  /** JSON of `Broken`, of a hire whose record cannot be read. */
  broken: string | null;
};
type Named = HireRow & { renterName: string; renterSalt: string; boatName: string };

const named = (db: Knex) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select('hire.*', 'person.name as renterName', 'person.salt as renterSalt', 'boat.name as boatName');

const toHire = (row: Named): Hire => ({
  id: row.id,
  boat: row.boat,
  base: row.base,
  renter: row.renterName,
  language: row.language,
  handover: row.handover,
  party: { adults: row.adults, children: row.children },
  from: row.from,
  to: row.to,
  depositMinor: row.depositMinor,
  notes: row.notes,
  version: row.version,
});

export const priceList = async (db: Knex, version: number): Promise<PriceList> =>
  PriceList.parse(JSON.parse((await db('priceList').where({ version }).first('body'))!.body));

/** So many earlier hires of a boat are asked for what they left to be done. */
const EARLIER = 6;

/**
 * What the boat's records leave to a hire: marks, counters and pictures of the last one before it that was walked at all,
 * and what the last few left to be done that holds her.
 */
const beforeHire = async (db: Knex, row: HireRow, now: string): Promise<(Before & { defects: Defect[] }) | undefined> => {
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
  const row = (await named(db).where('hire.id', id).first()) as Named | undefined;
  if (!row) return undefined;
  if (row.broken !== null) throw new BrokenRecord(id, (JSON.parse(row.broken) as Broken).why);
  const boat = (await db('boat').where({ id: row.boat }).first())!;
  const ground = await groundOf(db, id);
  if (!ground) throw new Error(`hire ${id}: there is no base ${row.base}`);
  const operator = await readOperator(db);
  const book = await bookOf(db, row.boat, row.bookVersion ?? undefined);
  if (!book) throw new Error(`hire ${id}: boat ${row.boat} has no book in version ${row.bookVersion ?? 'now'}`);
  const seals = await db('seal').where({ hire: id }).select('event', 'walk', 'root', 'receivedAt', 'state', 'signature', 'key');
  const { held, aside } = await wholeRecord(db, id);
  const gone = new Set(aside.map((one) => one.id));
  const coveredBy = new Map(held.flatMap(({ event }) => (event.body.kind === 'sealed' ? [[event.id, event.body.covers]] : [])));
  const statement = await db('statement').where({ hire: id }).whereNull('corrects').first('number');
  const before = await beforeHire(db, row, now);
  return {
    ...(before ? { before } : {}),
    hire: toHire(row),
    boat: { id: boat.id, name: boat.name, hullNumber: boat.hullNumber },
    ...ground,
    operator: { ...(await readHanding(db)), name: operator?.name ?? '' },
    toldBefore: await toldBefore(db, row, book.book, now),
    sheets: await sheetsOf(db, id),
    book: book.book,
    bookVersion: book.version,
    away: await awayWith(db, row.boat, id),
    prices: await priceList(db, row.priceVersion),
    previousSeal: boat.lastSeal,
    seals: seals.map(({ event, ...seal }) => ({ ...seal, aside: (coveredBy.get(event) ?? []).filter((one) => gone.has(one)).length })),
    signerSalt: row.renterSalt,
    statementNumber: statement?.number ?? null,
  };
};

export type BaseRow = { id: string; name: string; zone: string };
export const basesOf = async (db: Knex): Promise<BaseRow[]> => await db('base').select('id', 'name', 'zone').orderBy('name');

/** How far over midnight the day looks, both ways. */
const ROUND_MIDNIGHT_MS = 8 * 3_600_000;

type DayRow = DayHire & { broken: boolean; openWork: number };

/** Hires of a base as they stand on a list. */
const listed = (db: Knex, base: BaseRow) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select(
      'hire.id',
      'boat.name as boat',
      'person.name as renter',
      'hire.adults',
      'hire.children',
      'hire.from',
      'hire.to',
      'hire.state',
      'hire.castOffAt',
      'hire.cameInAt',
      'hire.hold',
      'hire.broken',
      'hire.openWork',
    )
    .where('hire.base', base.id);
type ListedRow = Omit<DayRow, 'party' | 'broken'> & { adults: number; children: number; broken: string | null };
const toDayRow = ({ adults, children, broken, ...row }: ListedRow): DayRow => ({
  ...row,
  party: adults + children,
  broken: broken !== null,
});

/**
 * Hires of a base that touch the local day of `now` or a few hours of it round midnight, and whatever is still out or at the quay, however old: a boat
 * that never came back does not fall off the board at midnight.
 */
export const dayHires = async (db: Knex, base: BaseRow, now: string): Promise<DayRow[]> => {
  const day = dayOf(now, base.zone);
  // Late in the evening the next boats leave after midnight, and early in the morning the last came in before it.
  const [before, after] = [-1, 1].map((way) => new Date(Date.parse(now) + way * ROUND_MIDNIGHT_MS).toISOString()) as [string, string];
  const from = before < day.from ? before : day.from;
  const to = after > day.to ? after : day.to;
  const [leaving, returning, open] = [
    (await listed(db, base).where('hire.from', '>=', from).where('hire.from', '<', to)) as ListedRow[],
    (await listed(db, base).where('hire.to', '>=', from).where('hire.to', '<', to)) as ListedRow[],
    (await listed(db, base).whereIn('hire.state', ['walkingOut', 'readyToGo', 'out', 'walkingIn', 'settling'])) as ListedRow[],
  ];
  return [...new Map([...leaving, ...returning, ...open].map((row) => [row.id, row])).values()].map(toDayRow);
};

/** Hires of a base that touch some of its days, the earliest first. @param from first day @param to the day after the last */
export const hiresOn = async (db: Knex, base: BaseRow, { from, to }: { from: string; to: string }): Promise<DayRow[]> => {
  const start = instantOf(`${from}T00:00`, base.zone);
  const end = instantOf(`${to}T00:00`, base.zone);
  const rows = (await listed(db, base)
    .where('hire.from', '<', end)
    .where('hire.to', '>', start)
    .orderBy(['hire.from', 'hire.id'])) as ListedRow[];
  return rows.map(toDayRow);
};

/** Changes what was booked, when nobody else has since `version`. @returns undefined when there is no such hire */
export const changeHire = async (
  db: Knex,
  id: string,
  change: {
    version: number;
    to?: string | undefined;
    party?: { adults: number; children: number } | undefined;
    notes?: string | undefined;
  },
): Promise<{ ok: true; hire: Hire } | { ok: false; reason: 'changedMeanwhile' | 'beforeStart' } | undefined> => {
  const row = (await named(db).where('hire.id', id).first()) as Named | undefined;
  if (!row) return undefined;
  if (change.to !== undefined && change.to <= row.from) return { ok: false, reason: 'beforeStart' };
  const changed = await db('hire')
    .where({ id, version: change.version })
    .update({
      to: change.to ?? row.to,
      adults: change.party?.adults ?? row.adults,
      children: change.party?.children ?? row.children,
      notes: change.notes ?? row.notes,
      version: change.version + 1,
    });
  if (changed === 0) return { ok: false, reason: 'changedMeanwhile' };
  return { ok: true, hire: toHire((await named(db).where('hire.id', id).first()) as Named) };
};
