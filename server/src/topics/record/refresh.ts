import { isCancelled } from '@quay/core/booking/events';
import { bookOf } from '../fleet/book';
import { roundMatters } from '@quay/core/condition/round';
import { cameIn, castOff } from '@quay/core/trip/events';
import { dayOfUse } from '@quay/core/party/ofHire';
import { isEntered, currentOf, type HireRecord } from '@quay/core/events/record';
import { reported } from '@quay/core/condition/events';
import type { Knex } from 'knex';
import { stateOf } from '@quay/core/day/board';
import type { Book } from '@quay/core/fleet/book';
import { findingsOf } from '@quay/core/findings/findings';
import { happenedAt } from '@quay/core/events/stored';
import { holdsOf } from '@quay/core/castOff/hold';
import { standingsOf } from '@quay/core/settlement/correction';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { dateOf } from '@quay/core/time/zone';
import { workOf } from '@quay/core/turnaround/work';
import { readingRecord, sparing } from '../../platform/database/broken';
import { fitOfHire, openDrills } from '../party/party';
import { type Whole, wholeRecord } from './record';
import { judgeSeals } from './seals';
import type { QuayKey } from '../../platform/database/setting';
import { closedStatement } from './statement';

/** When the first of what is still held of a deposit ends. */
const firstEnd = (record: HireRecord): string | null =>
  ledgerOf(record, 0)
    .authorisations.flatMap(({ stillHeldMinor, expiresAt }) => {
      const ends = Date.parse(expiresAt ?? '');
      return stillHeldMinor > 0 && Number.isFinite(ends) ? [new Date(ends).toISOString()] : [];
    })
    .sort()[0] ?? null;

/** How much has to be done before the boat goes out again, and is not done yet. */
const openWorkOf = (record: HireRecord, book: Book, hire: { from: string; to: string }): number =>
  workOf(record, book, findingsOf(record, book, hire)).filter(({ done }) => !done).length;

/** Faults and knocks reported from afloat that nobody has settled yet. */
const openReports = (record: HireRecord): number =>
  (currentOf(record, ['reported'], reported)?.currentEvents ?? []).filter(
    ({ event: { id, body } }) => body.kind === 'reported' && !isEntered(record, ['work', `${body.what}/${id}`]),
  ).length;

/** Brings what is read off the record up to date: state, times, holds, seals, what a manager should see. @throws BrokenRecord */
export const refresh = async (db: Knex, hireId: string, key: QuayKey, now: string): Promise<Whole> => {
  const hire = (await db('hire').where({ id: hireId }).first('id', 'boat', 'base', 'from', 'to', 'bookVersion'))!;
  const whole = await wholeRecord(db, hireId);
  const { record } = whole;
  const seals = await judgeSeals(db, hire, whole, key, now);
  const book = await bookOf(db, hire.boat, record.bookVersion);
  const zone = (await db('base').where({ id: hire.base }).first('zone'))!.zone;
  const state = stateOf(record);
  const waiting = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  const left = currentOf(record, ['castOff'], castOff);
  const day = left && !waiting ? dateOf(new Date(happenedAt(left.by)).toISOString(), zone) : dayOfUse({ hire, base: { zone } }, now);
  const looked = waiting || (left !== undefined && state !== 'closed');
  const fit = book && looked ? await fitOfHire(db, hireId, record, book.book, day) : undefined;
  const open = book && looked ? await openDrills(db, hireId, record, book.book) : [];
  const holds = book && looked ? readingRecord(hireId, () => holdsOf(record, book.book, day, fit, open)) : [];
  const attention = {
    late: record.late.length,
    proposed: record.proposed.length,
    conflicts: record.conflicts.length,
    // She left, or came back, on a phone that did not know that the hire had another boat by then, or none.
    otherBoat: record.ofOtherBoat.filter(({ event: { body } }) => body.kind === 'castOff').length,
    leftCancelled: state !== 'cancelled' && isCancelled(record) ? 1 : 0,
    wrongClocks: record.wrongClocks.length,
    seals,
    // She left although something held her and no manager had let her go: a phone without signal could not know better.
    overridden: waiting ? 0 : holds.filter(({ is }) => is !== 'conflict').length,
    reported: readingRecord(hireId, () => openReports(record)),
    rounds: book ? readingRecord(hireId, () => roundMatters(record, book.book).length) : 0,
  };
  const closed = state === 'closed' ? await closedStatement(db, hireId) : undefined;
  const at = (of: typeof castOff | typeof cameIn) => {
    const found = currentOf(record, [of.kind], of);
    return found ? new Date(Date.parse(found.by.event.at) + (found.by.behindMs ?? 0)).toISOString() : null;
  };
  await db('hire')
    .where({ id: hireId })
    .update({
      // Whatever arrived while we looked is newer than this, and is looked at the next time.
      seenSeq: whole.seq,
      state,
      castOffAt: at(castOff),
      cameInAt: at(cameIn),
      bookVersion: record.bookVersion ?? null,
      openLines: closed
        ? readingRecord(hireId, () => standingsOf(record, closed.statement).filter(({ open: isOpen }) => isOpen).length)
        : 0,
      // Whether that is too early hangs on the day and is said when somebody looks.
      holdEndsAt: readingRecord(hireId, () => firstEnd(record)),
      hold: waiting && holds.length > 0 ? JSON.stringify(holds[0]) : null,
      broken: null,
      openWork: book && (state === 'settling' || state === 'closed') ? readingRecord(hireId, () => openWorkOf(record, book.book, hire)) : 0,
      attention: Object.values(attention).some((n) => n > 0) ? JSON.stringify(attention) : null,
    });
  return whole;
};

/** Brings one hire up to date when something has come to it since it was last looked at; one that cannot be read is marked. */
export const refreshIfStale = async (db: Knex, hireId: string, key: QuayKey, now: string): Promise<void> => {
  const [stale] = (await db.raw('select 1 from hire h join event e on e.hire = h.id and e.seq > h."seenSeq" where h.id = ? limit 1', [
    hireId,
  ])) as unknown[];
  if (stale !== undefined) await sparing(db, now, () => refresh(db, hireId, key, now));
};

/** Up to which event every hire has been looked at; in the database, so that a restart begins where it was. */
const LOOKED = 'lookedSeq';

/** Brings every hire up to date to which something has come since it was last looked at. */
export const refreshStale = async (db: Knex, key: QuayKey, now: string): Promise<void> => {
  const looked = Number((await db('setting').where({ key: LOOKED }).first('value'))?.value ?? 0);
  const rows = (await db.raw(
    'select e.hire as id, max(e.seq) as seq, h."seenSeq" as seen from event e join hire h on h.id = e.hire where e.seq > ? group by e.hire, h."seenSeq"',
    [looked],
  )) as { id: string; seq: number; seen: number }[];
  if (rows.length === 0) return;
  for (const { id, seq, seen } of rows) if (seq > seen) await sparing(db, now, () => refresh(db, id, key, now));
  await db('setting')
    .insert({ key: LOOKED, value: String(Math.max(...rows.map(({ seq }) => seq))) })
    .onConflict('key')
    .merge();
};

/** Looks again at hires whose seal could not be judged, since a key has been named. */
export const refreshUnsealed = async (db: Knex, key: QuayKey, now: string): Promise<void> => {
  const rows = await db('seal').distinct('hire').whereNot({ state: 'countersigned' });
  for (const { hire } of rows) await sparing(db, now, () => refresh(db, hire, key, now));
};
