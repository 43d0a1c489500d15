import type { Knex } from 'knex';
import { RateLimiterRes, RateLimiterSQLite } from 'rate-limiter-flexible';

/**
 * How often what only somebody who knows it may say is tried: kept in the database, so that a restart forgives nothing,
 * and counted before anything is looked at, so that tries at the same moment are tries like others.
 */
const QUARTER_H = 15 * 60;
const LIMITS = {
  /** One name on a phone or desk that it is known on: nobody else's tries count there. */
  known: { points: 6, duration: QUARTER_H, blockDuration: QUARTER_H },
  /** All names on such a device, so that a stolen phone does not go through everybody's PIN. */
  device: { points: 18, duration: QUARTER_H, blockDuration: QUARTER_H },
  /** One name from wherever it is not known. */
  stranger: { points: 5, duration: QUARTER_H, blockDuration: QUARTER_H },
  /** Everything from an address, by those who are not known: deriving a key costs the quay something. */
  address: { points: 40, duration: QUARTER_H, blockDuration: QUARTER_H },
  /** Enrolment codes and renters' links that were none, by address. */
  code: { points: 8, duration: 60, blockDuration: 60 },
} as const;
export type Tried = keyof typeof LIMITS;

type Limiters = Record<Tried, RateLimiterSQLite>;
const made = new WeakMap<object, Limiters>();
const limitersOf = (db: Knex): Limiters => {
  const client = db.client as object;
  const known = made.get(client);
  if (known) return known;
  const of = (name: Tried) =>
    new RateLimiterSQLite({ storeClient: db, storeType: 'knex', tableName: 'tries', tableCreated: true, keyPrefix: name, ...LIMITS[name] });
  const limiters: Limiters = {
    known: of('known'),
    device: of('device'),
    stranger: of('stranger'),
    address: of('address'),
    code: of('code'),
  };
  made.set(client, limiters);
  return limiters;
};

/** Counts a try. Not to be called within a transaction: there is one connection. @returns how long to wait, s; 0 when it may be made */
export const countTry = async (db: Knex, what: Tried, key: string): Promise<number> => {
  try {
    await limitersOf(db)[what].consume(key);
    return 0;
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
  }
};

/** What was tried was right: it is not held against anybody. */
export const forgiveTries = async (db: Knex, what: Tried, key: string): Promise<void> => {
  await limitersOf(db)[what].delete(key);
};

/** Clears away what nobody has to wait for any more. */
export const clearTries = (db: Knex): Promise<number> => db('tries').where('expire', '<', Date.now()).del();
