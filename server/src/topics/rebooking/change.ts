import type { BodyOf } from '@quay/contract/endpoint';
import { LATEST_ENTRY_HOURS, LONGEST_HIRE_DAYS } from '@quay/core/booking/limits';
import type { changeHire as changeHireApi } from '@quay/contract/change';
import type { Hire } from '@quay/contract/hire';
import { BOOKING_FIELDS, type BookingField, UNNAMED } from '@quay/core/booking/events';
import { type HireState, stateOf } from '@quay/core/day/board';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import { type Whole, wholeRecord } from '../record/record';
import { refuseClashes } from '../booking/book';
import { boatsToHire } from '../booking/choices';
import { hoursCaseOf, refuseHours } from '../booking/hours';
import { POLICIES } from '@quay/core/policy/policy';
import { namedHire, type NamedHire, toHire } from '../booking/hire';
import { alikeOn } from './swap';

export type Change = BodyOf<typeof changeHireApi>;
/** Who changes it, and which version of it they saw. */
export type By = { id: string; role: 'hand' | 'manager'; version: number };

const HANDOVERS = POLICIES.handover;

/** What of a booking may be changed, by how far the hire has come. */
const CHANGEABLE: Readonly<Record<'before' | 'out' | 'after', readonly BookingField[]>> = {
  before: BOOKING_FIELDS,
  out: ['to', 'contact', 'notes'],
  after: ['contact', 'notes'],
};
const stageOf = (state: HireState): keyof typeof CHANGEABLE =>
  state === 'out' ? 'out' : state === 'booked' || state === 'walkingOut' || state === 'readyToGo' ? 'before' : 'after';

const valuesOf = (row: NamedHire): Record<BookingField, string | number> => ({
  from: row.from,
  to: row.to,
  adults: row.adults,
  children: row.children,
  renter: row.renterName,
  contact: row.renterContact,
  language: row.language,
  handover: row.handover,
  depositMinor: row.depositMinor,
  notes: row.notes,
});
const wishesOf = ({ from, to, party, renter, contact, language, handover, depositMinor, notes }: Change) => ({
  from,
  to,
  adults: party?.adults,
  children: party?.children,
  renter: renter?.trim(),
  contact: contact?.trim(),
  language,
  handover,
  depositMinor,
  notes: notes?.trim(),
});

/** A hire that is about to be changed, as it stands. @throws ProblemError `noSuchHire`, `changedMeanwhile` */
export const hireToChange = async (trx: Knex, id: string, version: number): Promise<{ row: NamedHire; whole: Whole; state: HireState }> => {
  const row = (await namedHire(trx, id)) ?? fail(404, 'noSuchHire');
  if (row.version !== version) return fail(412, 'changedMeanwhile');
  const whole = await wholeRecord(trx, id);
  return { row, whole, state: stateOf(whole.record) };
};

/** The hours that somebody must not have already: only what is new of them, where the boat stays. */
const newHours = (row: NamedHire, boat: string, from: string, to: string): { from: string; to: string } | undefined => {
  if (boat !== row.boat) return { from, to };
  if (from >= row.from && to <= row.to) return undefined;
  return from >= row.from && from < row.to ? { from: row.to, to } : { from, to };
};

/**
 * Changes what was booked: all of it until she leaves, the return while she is out. What was changed, by whom and why, goes
 * into the record, without names.
 * @throws ProblemError `noSuchHire`, `changedMeanwhile`, `hireCancelled`, `tooLateToChange`, `mayNot`, `whyMissing`, `beforeStart`,
 *   `longPast`, `doesNotFit`, `noSuchBoat`, `overPlate`, `boatTaken`, `boatTight`,
 *   `baseClosed`, `afterDark`, `afterCurfew`
 */
export const changeHire = (db: Knex, id: string, change: Change, by: By, now: string): Promise<Hire> =>
  db.transaction(async (trx) => {
    const { row, whole, state } = await hireToChange(trx, id, by.version);
    if (state === 'cancelled') fail(409, 'hireCancelled');
    const [was, wishes] = [valuesOf(row), wishesOf(change)];
    const changed = BOOKING_FIELDS.filter((field) => wishes[field] !== undefined && wishes[field] !== was[field]);
    const boat = change.boat ?? row.boat;
    const swaps = boat !== row.boat;
    const stage = stageOf(state);
    if (changed.some((field) => !CHANGEABLE[stage].includes(field)) || (swaps && stage !== 'before')) fail(409, 'tooLateToChange');
    const moves = changed.includes('from') || changed.includes('to');
    // What it costs to be late hangs on when she was due.
    if (stage === 'out' && moves && by.role !== 'manager') fail(403, 'mayNot', { role: by.role });
    if (((stage === 'out' && moves) || swaps) && change.why === undefined) fail(409, 'whyMissing');
    if (changed.length === 0 && !swaps) return toHire(row);
    const is = { ...was, ...Object.fromEntries(changed.map((field) => [field, wishes[field]!])) } as Record<BookingField, never>;
    const [from, to] = [String(is.from), String(is.to)];
    if (to <= from) fail(400, 'beforeStart');
    if (moves && Date.parse(to) - Date.parse(from) > LONGEST_HIRE_DAYS * 86_400_000)
      fail(400, 'doesNotFit', { where: 'content.to', why: 'not so many days' });
    if (changed.includes('from') && Date.parse(from) < Date.parse(now) - LATEST_ENTRY_HOURS * 3_600_000) fail(409, 'longPast');
    const [other] = await boatsToHire(trx, { boat });
    if (!other) return fail(404, 'noSuchBoat');
    if ((swaps || changed.includes('adults') || changed.includes('children')) && Number(is.adults) + Number(is.children) > other.people)
      fail(409, 'overPlate', { people: other.people });
    const hours = newHours(row, boat, from, to);
    if (hours) await refuseClashes(trx, { hire: id, boat, ...hours }, change.insist === true, now);
    // What was booked so already stays so: only hours that are new are looked at.
    const ends = (['from', 'to'] as const).filter((end) => changed.includes(end));
    if (ends.length > 0) {
      const handover = HANDOVERS.find((one) => one === String(is.handover)) ?? row.handover;
      await refuseHours(trx, { from, to, ends }, await hoursCaseOf(trx, other.base, handover, other.waters), change.insistHours === true);
    }
    await trx('hire')
      .where({ id })
      .update({
        ...{ from, to, adults: is.adults, children: is.children, language: is.language, handover: is.handover },
        ...{ depositMinor: is.depositMinor, notes: is.notes, version: row.version + 1 },
        // Her walk is begun anew; the code of the first boat's key is nobody's now.
        ...(swaps ? { boat, base: other.base, bookVersion: null } : {}),
      });
    if (changed.includes('renter') || changed.includes('contact'))
      await trx('person').where({ id: row.renter }).update({ name: is.renter, contact: is.contact });
    const said = { by: by.id, ...(change.why ? { why: change.why } : {}), ...(change.note ? { note: change.note } : {}) };
    let seq = nextSeq(whole.stored);
    const bookVersion = whole.record.bookVersion ?? 1;
    if (swaps) {
      await trx('keyCode').where({ hire: id }).del();
      const same = change.keepTold === false ? [] : await alikeOn(trx, row, boat);
      const body = { kind: 'boatSwapped' as const, ...said, from: row.boat, to: boat, same };
      await appendQuayEvent(trx, id, { seq, now, bookVersion, body });
      seq += 1;
    }
    if (changed.length > 0) {
      const value = (field: BookingField, of: string | number) => (UNNAMED.includes(field) ? undefined : String(of));
      const changes = changed.map((what) => {
        const [before, after] = [value(what, was[what]), value(what, is[what])];
        return { what, ...(before === undefined ? {} : { was: before }), ...(after === undefined ? {} : { is: after }) };
      });
      await appendQuayEvent(trx, id, { seq, now, bookVersion, body: { kind: 'bookingChanged', ...said, changes } });
    }
    return toHire((await namedHire(trx, id))!);
  });
