import { randomBytes } from 'node:crypto';
import { LATEST_ENTRY_HOURS, type NewHire } from '@quay/contract/booking';
import type { Hire } from '@quay/contract/hire';
import { clashesOf, type Wanted } from '@quay/core/booking/choices';
import type { Knex } from 'knex';
import { fail, ProblemError } from '../../platform/http/problem';
import { readHandoverPolicy } from '../../platform/database/setting';
import { boatsToHire, bookedOf } from './choices';
import { namedHire, type NamedHire, toHire } from './hire';

const HOUR_MS = 3_600_000;

/**
 * Refuses what stands in the way of a boat's time: hires that overlap always, too little time between them unless whoever
 * books insists. @throws ProblemError `boatTaken`, `boatTight`
 */
export const refuseClashes = async (trx: Knex, wanted: Wanted, insist: boolean, now: string): Promise<void> => {
  const { turnaroundMinutes } = await readHandoverPolicy(trx);
  const until = new Date(Date.parse(wanted.to) + turnaroundMinutes * 60_000).toISOString();
  const clashes = clashesOf(wanted, await bookedOf(trx, [wanted.boat], wanted.from, until, now), turnaroundMinutes);
  if (clashes.some(({ is }) => is === 'overlaps')) throw new ProblemError(409, 'boatTaken');
  if (clashes.length > 0 && !insist)
    throw new ProblemError(409, 'boatTight', { minutes: Math.min(...clashes.map(({ minutes }) => minutes)), needs: turnaroundMinutes });
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

/**
 * Books a hire. The same one sent twice is booked once.
 * @throws ProblemError `noSuchBoat`, `overPlate`, `longPast`, `noPricesYet`, `boatTaken`, `boatTight`, `changedMeanwhile` where the id is another hire's
 */
export const bookHire = (db: Knex, hire: NewHire, now: string): Promise<Hire> =>
  db.transaction(async (trx) => {
    const read = () => namedHire(trx, hire.id);
    const there = await read();
    if (there) {
      if (isSame(there, hire)) return toHire(there);
      throw new ProblemError(409, 'changedMeanwhile');
    }
    const [boat] = await boatsToHire(trx, { boat: hire.boat });
    if (!boat) throw new ProblemError(404, 'noSuchBoat');
    if (hire.party.adults + hire.party.children > boat.people) throw new ProblemError(409, 'overPlate', { people: boat.people });
    if (Date.parse(hire.from) < Date.parse(now) - LATEST_ENTRY_HOURS * HOUR_MS) throw new ProblemError(409, 'longPast');
    await refuseClashes(trx, hire, hire.insist === true, now);
    const known = hire.person === undefined ? undefined : await trx('person').where({ id: hire.person }).whereNot({ salt: '' }).first('id');
    const renter = known?.id ?? `renter-${hire.id}`;
    const named = { name: hire.renter.trim(), contact: hire.contact.trim() };
    // Whoever comes again is the same person, as they are called and reached now.
    if (known) await trx('person').where({ id: renter }).update(named);
    else await trx('person').insert({ id: renter, salt: randomBytes(16).toString('hex'), ...named });
    const prices = (await trx('priceList').orderBy('version', 'desc').first('version')) ?? fail(409, 'noPricesYet');
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
    });
    return toHire((await read())!);
  });
