import type { CancelReason } from '@quay/core/booking/events';
import type { Hire } from '@quay/contract/hire';
import type { HireState } from '@quay/core/day/board';
import { currentAt } from '@quay/core/events/record';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import type { Whole } from '../record/record';
import { refuseClashes } from '../booking/book';
import { type By, hireToChange } from './change';
import { namedHire, toHire } from '../booking/hire';

/** Says whether a hire takes place, in its record and in its row at once: whoever books next goes by the row. */
const say = async (
  trx: Knex,
  id: string,
  whole: Whole,
  { body, state, version, now }: { body: Parameters<typeof appendQuayEvent>[2]['body']; state: HireState; version: number; now: string },
): Promise<Hire> => {
  const before = currentAt(whole.record, ['cancelled'])?.currentEvents.map(({ event }) => event.id) ?? [];
  await appendQuayEvent(trx, id, {
    ...{ seq: nextSeq(whole.stored), now, bookVersion: whole.record.bookVersion ?? 1, replaces: before },
    body,
  });
  await trx('hire')
    .where({ id })
    .update({ state, hold: null, version: version + 1 });
  return toHire((await namedHire(trx, id))!);
};

/**
 * A hire that has not left does not take place; its boat is free, and the code of her key is nobody's.
 * @throws ProblemError `noSuchHire`, `changedMeanwhile`, `hireCancelled`, `tooLateToChange`
 */
export const cancelHire = (db: Knex, id: string, { why, note }: { why: CancelReason; note?: string | undefined }, by: By, now: string) =>
  db.transaction(async (trx): Promise<Hire> => {
    const { row, whole, state } = await hireToChange(trx, id, by.version);
    if (state === 'cancelled') fail(409, 'hireCancelled');
    if (state !== 'booked' && state !== 'walkingOut' && state !== 'readyToGo') fail(409, 'tooLateToChange');
    await trx('keyCode').where({ hire: id }).del();
    const body = { kind: 'hireCancelled' as const, by: by.id, why, ...(note ? { note } : {}) };
    return say(trx, id, whole, { body, state: 'cancelled', version: row.version, now });
  });

/**
 * A cancelled hire takes place after all.
 * @throws ProblemError `noSuchHire`, `changedMeanwhile`, `notCancelled`, `boatTaken`, `boatTight`
 */
export const reinstateHire = (
  db: Knex,
  id: string,
  { note, insist }: { note?: string | undefined; insist?: boolean | undefined },
  by: By,
  now: string,
) =>
  db.transaction(async (trx): Promise<Hire> => {
    const { row, whole, state } = await hireToChange(trx, id, by.version);
    if (state !== 'cancelled') fail(409, 'notCancelled');
    await refuseClashes(trx, { hire: id, boat: row.boat, from: row.from, to: row.to }, insist === true, now);
    const body = { kind: 'hireReinstated' as const, by: by.id, ...(note ? { note } : {}) };
    // How far its walk had come is read off the record when somebody looks.
    return say(trx, id, whole, { body, state: 'booked', version: row.version, now });
  });
