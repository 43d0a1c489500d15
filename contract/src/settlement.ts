import { Day as CalendarDay } from '@quay/core/time/calendar';
import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { hireParams, Id, Instant, nothing } from './parts';

const LineKey = z.string().check(z.minLength(1), z.maxLength(160));
const Minor = z.int().check(z.gt(0), z.lte(100_000_000));

/** What came of asking the terminal; `none` where there is no terminal, `declined` with the reason. */
export const PaymentReply = z.object({
  state: z.enum(['done', 'inDoubt', 'declined', 'none']),
  why: z.optional(z.string()),
  simulated: z.boolean(),
});
export type PaymentReply = z.infer<typeof PaymentReply>;

export const settlePayments = endpoint({
  name: 'settlePayments',
  summary:
    'Takes what a closed hire owes from what is held of its deposit, lets the rest go but for what is disputed, gives back what was taken too much. Safe to repeat: nothing is asked for twice.',
  method: 'POST',
  path: '/hires/:hireId/payments/settle',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: PaymentReply,
});

export const chargeCard = endpoint({
  name: 'chargeCard',
  summary: 'Asks the terminal for what the deposit does not cover. Safe to repeat: a payment of the same name is never taken twice.',
  method: 'POST',
  path: '/hires/:hireId/payments/:payment/charge',
  roles: ['hand', 'manager'],
  params: z.extend(hireParams, { payment: Id }),
  query: nothing,
  body: z.object({ amountMinor: Minor }),
  reply: PaymentReply,
});

export const correctStatement = endpoint({
  name: 'correctStatement',
  summary: 'Puts a closed statement right by another that refers to it: by line, what is charged beyond it or credited.',
  method: 'POST',
  path: '/hires/:hireId/corrections',
  roles: ['manager'],
  params: hireParams,
  query: nothing,
  body: z.object({
    /** The last statement of the hire as it was seen; when there is a newer one, nothing is corrected. */
    seen: z.int().check(z.gte(1)),
    lines: z.array(z.object({ line: LineKey, amountMinor: z.int() })).check(z.minLength(1), z.maxLength(500)),
    why: z.string().check(z.minLength(1), z.maxLength(1000)),
  }),
  reply: z.object({ number: z.int() }),
});

/** A closed hire on which something is still to be settled. */
export const Dispute = z.object({
  hire: Id,
  boat: z.string(),
  renter: z.string(),
  /** As it stands on paper. */
  number: z.string(),
  closedAt: Instant,
  currency: z.string(),
  /** Lines that are open, and what they come to as far as anybody knows. */
  lines: z.int(),
  openMinor: z.int(),
  remarks: z.array(z.string()),
});
export type Dispute = z.infer<typeof Dispute>;

export const listDisputes = endpoint({
  name: 'listDisputes',
  summary: 'Closed hires with lines that are not agreed or not priced yet, oldest first.',
  method: 'GET',
  path: '/disputes',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ disputes: z.array(Dispute) }),
});

const Day = z.optional(CalendarDay);
export const SORTS = ['fuel', 'damage', 'lost', 'late', 'other', 'credits'] as const;
export type Sort = (typeof SORTS)[number];

/** What the statements of one boat came to in one month, minor units; by what the lines are about. */
export const Figure = z.object({
  boat: Id,
  name: z.string(),
  month: z.string(),
  hires: z.int(),
  fuel: z.int(),
  damage: z.int(),
  lost: z.int(),
  late: z.int(),
  other: z.int(),
  credits: z.int(),
  /** Of lines that were not agreed to, whatever became of them. */
  disputed: z.int(),
  disputes: z.int(),
});
export type Figure = z.infer<typeof Figure>;

const span = z.object({ from: Day, to: Day });
export const getFigures = endpoint({
  name: 'getFigures',
  summary: 'What fuel, damage, lost things, lateness and disputes came to, by boat and month of the closing.',
  method: 'GET',
  path: '/figures',
  roles: ['manager'],
  params: nothing,
  query: span,
  body: nothing,
  reply: z.object({ currency: z.string(), figures: z.array(Figure) }),
});

export const figuresCsv = endpoint({
  name: 'figuresCsv',
  summary: 'The same as a table.',
  method: 'GET',
  path: '/figures.csv',
  roles: ['manager'],
  params: nothing,
  query: span,
  body: nothing,
  gives: 'text/csv',
  reply: z.unknown(),
});

export const statementsCsv = endpoint({
  name: 'statementsCsv',
  summary: 'Every line of every statement, for the books: numbers without gaps, tax by rate.',
  method: 'GET',
  path: '/statements.csv',
  roles: ['manager'],
  params: nothing,
  query: span,
  body: nothing,
  gives: 'text/csv',
  reply: z.unknown(),
});
