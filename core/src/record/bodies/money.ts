import * as z from 'zod/mini';
import { ExactInstant } from '../../time/calendar';
import { DECISIONS, DEPOSIT_ANSWERS, DEPOSIT_WAYS, EXTRAS, PAYMENT_ANSWERS, PAYMENTS, RECEIPTS } from '../kinds';
import { EventId, Sha256, id, note, photos } from './parts';

/** What is decided, answered, charged and paid. */
export const money = {
  findingDecided: z.object({
    kind: z.literal('findingDecided'),
    finding: z.string().check(z.minLength(1), z.maxLength(160)),
    decision: z.enum(DECISIONS),
    note,
  }),
  lineDecided: z.object({
    kind: z.literal('lineDecided'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    state: z.enum(['proposed', 'accepted', 'disputed', 'waived']),
    note,
  }),
  /** What the renter says of a line, on their own phone: nobody says it for them, nor takes it back. */
  lineAnswered: z.object({
    kind: z.literal('lineAnswered'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    answer: z.enum(['accepted', 'disputed']),
    remark: note,
  }),
  /** A line of the closed statement that the renter does not agree with after all. */
  lineContested: z.object({
    kind: z.literal('lineContested'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    remark: z.string().check(z.minLength(1), z.maxLength(1000)),
  }),
  /** A manager names what a line comes to; what the list says is kept beside it. */
  lineQuoted: z.object({
    kind: z.literal('lineQuoted'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    amountMinor: z.int().check(z.gte(0), z.lte(100_000_000)),
    why: z.string().check(z.minLength(1), z.maxLength(500)),
  }),
  /** Charged beside what was found on the boat: by a row of the price list, or what was really paid. */
  extraNoted: z.object({
    kind: z.literal('extraNoted'),
    extra: id,
    what: z.enum(EXTRAS),
    price: z.optional(id),
    quantity: z.optional(z.number().check(z.gt(0), z.lte(1000))),
    amountMinor: z.optional(z.int().check(z.gt(0), z.lte(100_000_000))),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  }),
  /** A receipt of the renter's for something they paid that is the operator's to pay. */
  receiptShown: z.object({
    kind: z.literal('receiptShown'),
    receipt: id,
    what: z.enum(RECEIPTS),
    amountMinor: z.int().check(z.gt(0), z.lte(10_000_000)),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  }),
  /** Whether the renter bought the waiver, by which damage costs them no more than its limit. */
  waiverSet: z.object({ kind: z.literal('waiverSet'), taken: z.boolean() }),
  /** What the terminal said of one payment, as the quay learnt it. */
  paymentAnswered: z.object({
    kind: z.literal('paymentAnswered'),
    payment: id,
    what: z.enum(PAYMENTS),
    /** The asking by which the deposit is held, of what is taken from it or let go. */
    of: z.optional(id),
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(PAYMENT_ANSWERS),
    reference: z.optional(z.string().check(z.maxLength(64))),
    why: z.optional(z.string().check(z.maxLength(200))),
  }),
  /** Paid or given back without the terminal. */
  paidByHand: z.object({
    kind: z.literal('paidByHand'),
    payment: id,
    what: z.enum(['paid', 'givenBack']),
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    how: z.enum(DEPOSIT_WAYS),
    note,
  }),
  /** A statement that puts another right: by line, what is charged beyond it or credited. */
  corrected: z.object({
    kind: z.literal('corrected'),
    number: z.int().check(z.gte(1)),
    corrects: z.int().check(z.gte(1)),
    lines: z
      .array(z.object({ line: z.string().check(z.minLength(1), z.maxLength(160)), amountMinor: z.int() }))
      .check(z.minLength(1), z.maxLength(500)),
    why: z.string().check(z.minLength(1), z.maxLength(1000)),
    statement: Sha256,
  }),
  closed: z.object({
    kind: z.literal('closed'),
    number: z.int().check(z.gte(1)),
    statement: Sha256,
    covers: z.array(EventId).check(z.maxLength(10_000)),
    root: Sha256,
  }),
  /** What the card terminal said, as the quay learnt it; the card itself is in no record. */
  depositAnswered: z.object({
    kind: z.literal('depositAnswered'),
    attempt: id,
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(DEPOSIT_ANSWERS),
    reference: z.optional(z.string().check(z.maxLength(64))),
    why: z.optional(z.string().check(z.maxLength(200))),
    /** When what is held is given back by itself. */
    expiresAt: z.optional(ExactInstant),
  }),
  /** A deposit taken without the terminal. */
  depositTaken: z.object({
    kind: z.literal('depositTaken'),
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    how: z.enum(DEPOSIT_WAYS),
    note,
  }),
};
