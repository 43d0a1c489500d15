import { randomBytes, randomUUID } from 'node:crypto';
import type { CalendarAddress } from '@quay/contract/exchange';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import type { CalendarAddressRow } from '../../platform/database/tables';
import { fail } from '../../platform/http/problem';
import { hashToken } from '../../platform/signIn/secret';
import { writeCsv } from '../../platform/csv';
import { writeMinor } from '@quay/core/money/minor';
import type { BaseRow } from '../booking/bases';
import { type NamedHire, namedHires } from '../booking/hire';
import { currencyOf } from '../policy/prices';
import { writeCalendar } from './icalOut';

/** Bookings for elsewhere: calendars under an address that can be withdrawn, and tables. */

const DAY_MS = 86_400_000;
/** A calendar holds so many days behind and ahead. */
const [BEHIND, AHEAD] = [30, 400];

const toAddress = ({ id, base, boat, names, madeAt, askedAt }: CalendarAddressRow): CalendarAddress => ({
  ...{ id, base, boat, names: names === 1, madeAt, askedAt },
});

export const addressesOf = async (db: Knex): Promise<CalendarAddress[]> =>
  (await db('calendarAddress').whereNull('withdrawnAt').orderBy('madeAt')).map(toAddress);

/** @returns the token, which is stored nowhere @throws ProblemError `noBase`, `noSuchBoat` */
export const makeAddress = async (
  db: Knex,
  { base, boat, names }: { base: string; boat: string | null; names: boolean },
  by: string,
  now: string,
): Promise<{ address: CalendarAddress; token: string }> => {
  if (!(await db('base').where({ id: base }).first('id'))) return fail(404, 'noBase');
  if (boat !== null && !(await db('boat').where({ id: boat, base }).first('id'))) return fail(404, 'noSuchBoat');
  const token = randomBytes(16).toString('base64url');
  const id = randomUUID();
  await db('calendarAddress').insert({ id, token: hashToken(token), base, boat, names: names ? 1 : 0, madeAt: now, madeBy: by });
  return { address: toAddress((await db('calendarAddress').where({ id }).first())!), token };
};

export const withdrawAddress = async (db: Knex, id: string, now: string): Promise<void> => {
  if ((await db('calendarAddress').where({ id }).whereNull('withdrawnAt').update({ withdrawnAt: now })) === 0) fail(404, 'noSuchLink');
};

/** The calendar behind an address. @param host names this quay in the world @throws ProblemError `noSuchLink` */
export const calendarFor = async (db: Knex, token: string, host: string, now: string): Promise<string> => {
  const row =
    (await db('calendarAddress')
      .where({ token: hashToken(token) })
      .whereNull('withdrawnAt')
      .first()) ?? fail(404, 'noSuchLink');
  await db('calendarAddress').where({ id: row.id }).update({ askedAt: now });
  const at = (days: number) => new Date(Date.parse(now) + days * DAY_MS).toISOString();
  const rows = (await namedHires(db)
    .where(row.boat === null ? 'hire.base' : 'hire.boat', row.boat ?? row.base)
    .where('hire.to', '>', at(-BEHIND))
    .where('hire.from', '<', at(AHEAD))
    .orderBy(['hire.from', 'hire.id'])) as NamedHire[];
  const base = await db('base').where({ id: row.base }).first('name');
  const boat = row.boat === null ? undefined : await db('boat').where({ id: row.boat }).first('name');
  return writeCalendar(
    rows.map((hire) => ({
      ...{ id: hire.id, version: hire.version, boat: hire.boatName, from: hire.from, to: hire.to, changedAt: now },
      ...{ adults: hire.adults, children: hire.children, language: hire.language, cancelled: hire.state === 'cancelled' },
      ...(row.names === 1
        ? { renter: hire.renterName, contact: hire.renterContact, notes: hire.notes }
        : { renter: 'Booked', contact: '', notes: '' }),
    })),
    boat?.name ?? base?.name ?? '',
    host,
  );
};

/** Bookings of some days of a base as a table, with the hours of its clocks. @param from first day @param to the day after the last */
export const bookingsTable = async (db: Knex, base: BaseRow, { from, to }: { from: string; to: string }): Promise<string> => {
  const currency = await currencyOf(db);
  const rows = (await namedHires(db)
    .where('hire.base', base.id)
    .where('hire.from', '<', instantOf(`${to}T00:00`, base.zone))
    .where('hire.to', '>', instantOf(`${from}T00:00`, base.zone))
    .orderBy(['hire.from', 'hire.id'])) as NamedHire[];
  const local = (at: string) => `${dateOf(at, base.zone)} ${clockOf(at, base.zone)}`;
  return writeCsv(
    ['id', 'boat', 'from', 'to', 'renter', 'contact', 'adults', 'children', 'deposit', 'language', 'notes', 'state'],
    rows.map((hire) => ({
      ...{ id: hire.id, boat: hire.boatName, from: local(hire.from), to: local(hire.to), renter: hire.renterName },
      ...{ contact: hire.renterContact, adults: hire.adults, children: hire.children, language: hire.language },
      ...{ deposit: writeMinor(hire.depositMinor, currency), notes: hire.notes, state: hire.state },
    })),
  );
};
