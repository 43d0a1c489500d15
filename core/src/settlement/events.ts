import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { EventId, findingKey, id, note, Sha256 } from '../events/parts';
import { ExactInstant } from '../time/calendar';
import { StatementPrefix } from '../number/statementNumber';

/** What is agreed of each line, and what is held and paid. */

/** What became of one asking of the card terminal; `unknown` until it has said. */
export const DEPOSIT_ANSWERS = ['authorised', 'declined', 'unknown', 'released', 'expired'] as const;
export const DEPOSIT_WAYS = ['cash', 'otherwise'] as const;
/** What the terminal is asked for once there is something to pay: from what is held, beyond it, or back. */
export const PAYMENTS = ['capture', 'release', 'charge', 'refund'] as const;
export const PAYMENT_ANSWERS = ['done', 'declined', 'unknown'] as const;

const reference = z.optional(z.string().check(z.maxLength(64)));
const because = z.optional(z.string().check(z.maxLength(200)));

export const lineDecided = defineEvent('lineDecided', {
  body: { line: findingKey, state: z.enum(['proposed', 'accepted', 'disputed', 'waived']), note },
  subject: ({ line }) => ['line', line],
  merge: 'replace',
  // What is waived is the operator's money.
  addedBy: ({ state }) => (state === 'waived' ? ['manager'] : ['hand', 'manager']),
});

/** What the renter says of a line, on their own phone: nobody says it for them, nor takes it back. */
export const lineAnswered = defineEvent('lineAnswered', {
  body: { line: findingKey, answer: z.enum(['accepted', 'disputed']), remark: note },
  subject: ({ line }) => ['answer', line],
  merge: 'replace',
  addedBy: ['renter'],
});

/** A line of the closed statement that the renter does not agree with after all. */
export const lineContested = defineEvent('lineContested', {
  body: { line: findingKey, remark: z.string().check(z.minLength(1), z.maxLength(1000)) },
  subject: ({ line }) => ['contested', line],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renter'],
  afterClosing: true,
});

/** A manager names what a line comes to; what the list says is kept beside it. */
export const lineQuoted = defineEvent('lineQuoted', {
  body: {
    line: findingKey,
    amountMinor: z.int().check(z.gte(0), z.lte(100_000_000)),
    why: z.string().check(z.minLength(1), z.maxLength(500)),
  },
  subject: ({ line }) => ['quoted', line],
  merge: 'replace',
  addedBy: ['manager'],
});

/** Whether the renter bought the waiver, by which damage costs them no more than its limit. */
export const waiverSet = defineEvent('waiverSet', {
  body: { taken: z.boolean() },
  subject: () => ['waiver'],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
});

/** What the terminal said of one payment, as the quay learnt it. */
export const paymentAnswered = defineEvent('paymentAnswered', {
  body: {
    payment: id,
    what: z.enum(PAYMENTS),
    /** The asking by which the deposit is held, of what is taken from it or let go. */
    of: z.optional(id),
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(PAYMENT_ANSWERS),
    reference,
    why: because,
  },
  subject: ({ payment }) => ['payment', payment],
  merge: 'collect',
  onSwap: 'goesAlong',
  addedBy: ['quay'],
  afterClosing: true,
});

/** Paid or given back without the terminal. */
export const paidByHand = defineEvent('paidByHand', {
  body: {
    payment: id,
    what: z.enum(['paid', 'givenBack']),
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    how: z.enum(DEPOSIT_WAYS),
    note,
  },
  subject: ({ payment }) => ['byHand', payment],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
  afterClosing: true,
});

/** A statement that puts another right: by line, what is charged beyond it or credited. */
export const corrected = defineEvent('corrected', {
  body: {
    number: z.int().check(z.gte(1)),
    prefix: z.optional(StatementPrefix),
    corrects: z.int().check(z.gte(1)),
    lines: z.array(z.object({ line: findingKey, amountMinor: z.int() })).check(z.minLength(1), z.maxLength(500)),
    why: z.string().check(z.minLength(1), z.maxLength(1000)),
    statement: Sha256,
  },
  subject: ({ number }) => ['corrected', String(number)],
  merge: 'replace',
  addedBy: ['quay'],
  afterClosing: true,
});

export const closed = defineEvent('closed', {
  body: {
    number: z.int().check(z.gte(1)),
    prefix: z.optional(StatementPrefix),
    statement: Sha256,
    covers: z.array(EventId).check(z.maxLength(10_000)),
    root: Sha256,
  },
  subject: () => ['closed'],
  merge: 'replace',
  addedBy: ['quay'],
  effect: { does: 'close', covers: ({ covers }) => covers },
});

/** What the card terminal said, as the quay learnt it; the card itself is in no record. */
export const depositAnswered = defineEvent('depositAnswered', {
  body: {
    attempt: id,
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(DEPOSIT_ANSWERS),
    reference,
    why: because,
    /** When what is held is given back by itself. */
    expiresAt: z.optional(ExactInstant),
  },
  subject: ({ attempt }) => ['deposit', attempt],
  merge: 'collect',
  onSwap: 'goesAlong',
  addedBy: ['quay'],
  effect: { does: 'answer' },
});

/** A deposit taken without the terminal. */
export const depositTaken = defineEvent('depositTaken', {
  body: { amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)), how: z.enum(DEPOSIT_WAYS), note },
  subject: () => ['depositTaken'],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
});
