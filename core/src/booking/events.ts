import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { id, note } from '../events/parts';
import { currentOf, type HireRecord } from '../events/record';

/**
 * What became of a booking. The quay itself adds these, together with the change they tell of: two who change one booking, or
 * want one boat, find out there, and no phone can say that it was changed.
 */

/** Why a booking is changed, a boat swapped, or a hire made longer or shorter. */
export const CHANGE_REASONS = ['renter', 'weather', 'boat', 'quay', 'mistake', 'other'] as const;
export type ChangeReason = (typeof CHANGE_REASONS)[number];
/** Why a hire does not take place. */
export const CANCEL_REASONS = ['renter', 'noShow', 'weather', 'boat', 'quay', 'mistake', 'other'] as const;
export type CancelReason = (typeof CANCEL_REASONS)[number];

/** What of a booking can be changed, its boat beside. */
export const BOOKING_FIELDS = [
  'from',
  'to',
  'adults',
  'children',
  'renter',
  'contact',
  'language',
  'handover',
  'depositMinor',
  'notes',
] as const;
export type BookingField = (typeof BOOKING_FIELDS)[number];
/** Of people and of what somebody wrote about them, that it was changed, and no more: the record outlives their names. */
export const UNNAMED: readonly BookingField[] = ['renter', 'contact', 'notes'];

const by = id;
const reason = z.optional(z.enum(CHANGE_REASONS));
const Value = z.optional(z.string().check(z.maxLength(64)));

export const bookingChanged = defineEvent('bookingChanged', {
  body: {
    by,
    why: reason,
    note,
    changes: z
      .array(z.object({ what: z.enum(BOOKING_FIELDS), was: Value, is: Value }))
      .check(z.minLength(1), z.maxLength(BOOKING_FIELDS.length)),
  },
  subject: () => ['booking'],
  merge: 'collect',
  addedBy: ['quay'],
  onSwap: 'goesAlong',
});

/** So many things that two boats have alike are named. */
export const MOST_ALIKE = 2000;

/** The hire gets another boat. What was told of what is the same on both stays told; all else is begun anew. */
export const boatSwapped = defineEvent('boatSwapped', {
  body: {
    by,
    why: reason,
    note,
    from: id,
    to: id,
    /** What stays entered of the first boat, as `sameOnBoth` names it; nothing where the walk is begun anew. */
    same: z.array(z.string().check(z.maxLength(80))).check(z.maxLength(MOST_ALIKE)),
  },
  subject: () => ['boat'],
  merge: 'collect',
  addedBy: ['quay'],
  onSwap: 'goesAlong',
  effect: { does: 'swap', from: ({ from }) => from, to: ({ to }) => to, same: ({ same }) => same },
});

/** The hire does not take place: it gives its boat free. */
export const hireCancelled = defineEvent('hireCancelled', {
  body: { by, why: z.enum(CANCEL_REASONS), note },
  subject: () => ['cancelled'],
  merge: 'replace',
  addedBy: ['quay'],
  onSwap: 'goesAlong',
});

/** It takes place after all. */
export const hireReinstated = defineEvent('hireReinstated', {
  body: { by, note },
  subject: () => ['cancelled'],
  merge: 'replace',
  addedBy: ['quay'],
  onSwap: 'goesAlong',
});

/** The cancelling of a hire that stands cancelled. */
export const cancelling = (record: HireRecord) => {
  const found = currentOf(record, ['cancelled'], hireCancelled, hireReinstated);
  return found?.value.kind === 'hireCancelled' ? { ...found.value, by: found.by } : undefined;
};

export const isCancelled = (record: HireRecord): boolean => cancelling(record) !== undefined;
