import { randomBytes } from 'node:crypto';
import type { NewHire } from '@quay/contract/booking';
import { LATEST_ENTRY_HOURS } from '@quay/core/booking/limits';
import type { Hire } from '@quay/contract/hire';
import { clashesOf, type Wanted } from '@quay/core/booking/choices';
import { dateOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import { fail, ProblemError } from '../../platform/http/problem';
import { readHandoverPolicy } from '../../platform/database/setting';
import { listOn } from '../policy/prices';
import { boatsToHire, bookedOf, type NamedBooked } from './choices';
import { hoursCaseOf, refuseHours } from './hours';
import { namedHire, type NamedHire, toHire } from './hire';

const HOUR_MS = 3_600_000;

/** What is in the way of a boat's time, by what is booked now. */
const clashesNow = async (db: Knex, wanted: Wanted, now: string) => {
  const { turnaroundMinutes } = await readHandoverPolicy(db);
  const until = new Date(Date.parse(wanted.to) + turnaroundMinutes * 60_000).toISOString();
  const booked = await bookedOf(db, [wanted.boat], wanted.from, until, now);
  return { clashes: clashesOf(wanted, booked, turnaroundMinutes), booked, turnaroundMinutes };
};

/**
 * Refuses what stands in the way of a boat's time: hires that overlap always, too little time between them unless whoever
 * books insists. @throws ProblemError `boatTaken`, `boatTight`
 */
export const refuseClashes = async (trx: Knex, wanted: Wanted, insist: boolean, now: string): Promise<void> => {
  const { clashes, turnaroundMinutes } = await clashesNow(trx, wanted, now);
  if (clashes.some(({ is }) => is === 'overlaps')) throw new ProblemError(409, 'boatTaken');
  if (clashes.length > 0 && !insist)
    throw new ProblemError(409, 'boatTight', { minutes: Math.min(...clashes.map(({ minutes }) => minutes)), needs: turnaroundMinutes });
};

/** Who has the boat in the time of a hire that was taken all the same, and why she is out of service then. */
export const clashesWith = async (db: Knex, hire: Wanted, now: string): Promise<NamedBooked[]> => {
  const { clashes, booked } = await clashesNow(db, hire, now);
  return booked.filter((one) => clashes.some((clash) => clash.is === 'overlaps' && clash.booked === one));
};

/** Whether all that was sent is what is booked: an answer that did not come through must not hide what was typed anew since. */
const isSame = (row: NamedHire, hire: NewHire): boolean =>
  row.boat === hire.boat &&
  row.from === hire.from &&
  row.to === hire.to &&
  row.renterName === hire.renter.trim() &&
  row.renterContact === hire.contact.trim() &&
  row.language === hire.language &&
  row.handover === hire.handover &&
  row.adults === hire.party.adults &&
  row.children === hire.party.children &&
  row.depositMinor === hire.depositMinor &&
  row.notes === hire.notes.trim();

/** The day an instant lies on, on the calendar of a base. */
const dayAt = async (db: Knex, base: string, at: string): Promise<string> =>
  dateOf(at, (await db('base').where({ id: base }).first('zone'))!.zone);

/**
 * Books a hire. The same one sent twice is booked once.
 * @throws ProblemError `noSuchBoat`, `overPlate`, `longPast`, `noPricesYet`, `boatTaken`, `boatTight`, `baseClosed`, `afterDark`, `afterCurfew`, `changedMeanwhile` where the id is another hire's
 */
export const bookHire = (db: Knex, hire: NewHire, now: string): Promise<Hire> =>
  db.transaction(async (trx) => {
    const read = () => namedHire(trx, hire.id);
    const there = await read();
    if (there) {
      // It may have been changed here since the phone made it; nobody but that phone knows the salt.
      if (isSame(there, hire) || there.renterSalt === hire.offline?.salt) return toHire(there);
      throw new ProblemError(409, 'changedMeanwhile');
    }
    const [boat] = await boatsToHire(trx, { boat: hire.boat });
    if (!boat) throw new ProblemError(404, 'noSuchBoat');
    const { offline } = hire;
    if (!offline) {
      if (hire.party.adults + hire.party.children > boat.people) throw new ProblemError(409, 'overPlate', { people: boat.people });
      if (Date.parse(hire.from) < Date.parse(now) - LATEST_ENTRY_HOURS * HOUR_MS) throw new ProblemError(409, 'longPast');
      await refuseClashes(trx, hire, hire.insist === true, now);
      await refuseHours(trx, hire, await hoursCaseOf(trx, boat.base, hire.handover, boat.waters), hire.insistHours === true);
    }
    const clashed = offline !== undefined && (await clashesWith(trx, { ...hire, hire: hire.id }, now)).length > 0;
    const known = hire.person === undefined ? undefined : await trx('person').where({ id: hire.person }).whereNot({ salt: '' }).first('id');
    const renter = known?.id ?? `renter-${hire.id}`;
    const named = { name: hire.renter.trim(), contact: hire.contact.trim() };
    // Whoever comes again is the same person, as they are called and reached now.
    if (known) await trx('person').where({ id: renter }).update(named);
    else await trx('person').insert({ id: renter, salt: offline?.salt ?? randomBytes(16).toString('hex'), ...named });
    const told = offline && (await trx('priceList').where({ version: offline.priceVersion }).first('version'));
    const prices = told ?? (await listOn(trx, await dayAt(trx, boat.base, hire.from))) ?? fail(409, 'noPricesYet');
    await trx('hire').insert({
      id: hire.id,
      boat: hire.boat,
      base: boat.base,
      renter,
      language: hire.language,
      handover: hire.handover,
      adults: hire.party.adults,
      children: hire.party.children,
      from: hire.from,
      to: hire.to,
      depositMinor: hire.depositMinor,
      notes: hire.notes.trim(),
      priceVersion: prices.version,
      clashed: clashed ? 1 : 0,
    });
    return toHire((await read())!);
  });
