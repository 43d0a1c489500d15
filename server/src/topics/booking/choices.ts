import { type BoatToHire, type Booked, type Choice, choicesOf } from '@quay/core/booking/choices';
import type { Knex } from 'knex';
import { usualDeposit } from '../policy/prices';

/** So far ahead a free time is looked for, days. */
const AHEAD_DAYS = 62;
const DAY_MS = 86_400_000;
const QUARTER_MS = 900_000;

type BookedRow = {
  hire: string;
  boat: string;
  renter: string;
  from: string;
  to: string;
  castOffAt: string | null;
  cameInAt: string | null;
};
/** A boat's time that is given away, with the name of who has it, or why she is out of service. */
export type NamedBooked = Booked & { renter: string };

/**
 * What is booked of some boats from an instant on. Who came back has the boat no longer, and who has not come back has her
 * still, whenever they were due: at least for another quarter of an hour.
 * @param after hires that ended a day before it are left out @param until and those that begin after it
 */
export const bookedOf = async (db: Knex, boats: readonly string[], after: string, until: string, now: string): Promise<NamedBooked[]> => {
  const since = new Date(Date.parse(after) - DAY_MS).toISOString();
  const rows = (await db('hire')
    .whereNot('hire.state', 'cancelled')
    .join('person', 'person.id', 'hire.renter')
    .whereIn('hire.boat', boats)
    .where('hire.from', '<', until)
    .where((either) => {
      void either.where('hire.to', '>', since).orWhere('hire.state', 'out');
    })
    .select(
      'hire.id as hire',
      'hire.boat',
      'person.name as renter',
      'hire.from',
      'hire.to',
      'hire.castOffAt',
      'hire.cameInAt',
    )) as BookedRow[];
  // Nobody knows when a late boat comes; by whole quarters, so that what is offered still stands when it is taken.
  const soonest = new Date(Math.ceil(Date.parse(now) / QUARTER_MS + 1) * QUARTER_MS).toISOString();
  const away = await db('outOfService')
    .whereIn('boat', boats)
    .where('from', '<', until)
    .where((either) => {
      void either.whereNull('to').orWhere('to', '>', since);
    })
    .select('boat', 'from', 'to', 'why');
  return [
    ...rows.map(({ castOffAt, cameInAt, to, ...row }) => ({
      ...row,
      to: cameInAt ?? (castOffAt !== null && to < soonest ? soonest : to),
    })),
    ...away.map(({ boat, from, to, why }) => ({ hire: null, boat, from, to, renter: why })),
  ];
};

export type Boat = BoatToHire & { hullNumber: string; base: string; waters: string; depositMinor: number };

/** Boats with what their plate allows and what was asked for on their last hire, or usually is; of a base, or the one. */
export const boatsToHire = async (db: Knex, of: { base: string } | { boat: string }): Promise<Boat[]> => {
  const rows = (await db('boat')
    .join('book', (both) => both.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .where('base' in of ? 'boat.base' : 'boat.id', 'base' in of ? of.base : of.boat)
    .select('boat.id', 'boat.name', 'boat.hullNumber', 'boat.base', 'boat.waters', 'book.people', {
      depositMinor: db('hire').where('hire.boat', db.ref('boat.id')).orderBy('hire.from', 'desc').limit(1).select('depositMinor'),
    })) as (Omit<Boat, 'depositMinor'> & { depositMinor: number | null })[];
  const usual = rows.some(({ depositMinor }) => depositMinor === null) ? await usualDeposit(db) : 0;
  return rows.map((row) => ({ ...row, depositMinor: row.depositMinor ?? usual }));
};

/** Every boat of a base with whether she can be had. @param people how many want to come */
export const choicesAt = async (
  db: Knex,
  base: string,
  wanted: { from: string; to: string; people: number; hire?: string | undefined },
  turnaroundMin: number,
  now: string,
): Promise<{ choices: Choice<Boat>[]; booked: NamedBooked[] }> => {
  const boats = await boatsToHire(db, { base });
  const until = new Date(Date.parse(wanted.to) + AHEAD_DAYS * DAY_MS).toISOString();
  const booked = await bookedOf(
    db,
    boats.map(({ id }) => id),
    wanted.from,
    until,
    now,
  );
  return { choices: choicesOf(boats, booked, wanted, turnaroundMin), booked };
};
