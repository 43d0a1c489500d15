import type { BodyOf, EventDefinition } from '../events/define';
import { type HireRecord, isOf, currentUnder } from '../events/record';
import type { AnyBody } from '../events/stored';
import { depositAnswered, depositTaken, paidByHand, paymentAnswered } from './events';

/**
 * Where the money of a hire is, by what the terminal said and by what was taken and given by hand; minor units. Nothing in
 * doubt is counted either way: it stands apart until the terminal says.
 */

type Answered = BodyOf<typeof depositAnswered>;
type Payment = BodyOf<typeof paymentAnswered>;

/** One holding of a deposit: `held = captured + released + expired + still held`. */
export type Authorisation = {
  attempt: string;
  heldMinor: number;
  capturedMinor: number;
  releasedMinor: number;
  expiredMinor: number;
  stillHeldMinor: number;
  expiresAt: string | undefined;
};

/** Asked of the terminal, and nobody knows what became of it. */
export type InDoubt = { payment: string; what: Payment['what'] | 'hold'; of: string | undefined; amountMinor: number };

export type Ledger = {
  authorisations: Authorisation[];
  heldMinor: number;
  capturedMinor: number;
  releasedMinor: number;
  expiredMinor: number;
  stillHeldMinor: number;
  /** A deposit taken by hand, before anything was settled. */
  byHandHeldMinor: number;
  /** What was taken by card and can be given back to it. */
  refundableMinor: number;
  /** By card beyond the deposit, and by hand. */
  paidMinor: number;
  refundedMinor: number;
  /** What the statements come to. */
  totalMinor: number;
  /** `total − captured − paid + refunded`: above zero the renter owes it, below it is owed to them. */
  balanceMinor: number;
  inDoubt: InDoubt[];
  /** Why the terminal would not, by payment. */
  declined: { payment: string; what: Payment['what']; amountMinor: number; why: string | undefined }[];
};

/** What the terminal said last of everything it was asked, whenever that was: its word stands outside the closing. */
const lastOf = <B extends AnyBody>(record: HireRecord, about: string, kind: EventDefinition<string, B>, name: (body: B) => string): B[] => {
  const last = new Map<string, B>();
  const current = currentUnder(record, [about], kind).flatMap((one) => one.currentEvents);
  for (const one of [...current, ...record.answered]) if (isOf(one, kind)) last.set(name(one.event.body), one.event.body);
  return [...last.values()];
};

const sum = <T>(rows: readonly T[], of: (row: T) => number): number => rows.reduce((total, row) => total + of(row), 0);

const authorisation = (asked: Answered, payments: readonly Payment[]): Authorisation => {
  const done = (what: Payment['what']) =>
    sum(
      payments.filter((one) => one.of === asked.attempt && one.what === what && one.answer === 'done'),
      ({ amountMinor }) => amountMinor,
    );
  const [capturedMinor, released] = [done('capture'), done('release')];
  const left = asked.amountMinor - capturedMinor - released;
  const [expiredMinor, releasedMinor] =
    asked.answer === 'expired' ? [left, released] : asked.answer === 'released' ? [0, released + left] : [0, released];
  return {
    attempt: asked.attempt,
    heldMinor: asked.amountMinor,
    capturedMinor,
    releasedMinor,
    expiredMinor,
    stillHeldMinor: asked.amountMinor - capturedMinor - releasedMinor - expiredMinor,
    expiresAt: asked.expiresAt,
  };
};

/** @param totalMinor what all statements of the hire come to together, or the draft while there is none */
export const ledgerOf = (record: HireRecord, totalMinor: number): Ledger => {
  const asked = lastOf(record, 'deposit', depositAnswered, ({ attempt }) => attempt);
  const payments = lastOf(record, 'payment', paymentAnswered, ({ payment }) => payment);
  const authorisations = asked
    .filter(({ answer }) => answer === 'authorised' || answer === 'released' || answer === 'expired')
    .map((one) => authorisation(one, payments));
  const byHand = currentUnder(record, ['byHand'], paidByHand).map(({ value }) => value);
  const taken = sum(currentUnder(record, ['depositTaken'], depositTaken), ({ value }) => value.amountMinor);
  const done = (what: Payment['what']) =>
    sum(
      payments.filter((one) => one.what === what && one.answer === 'done'),
      ({ amountMinor }) => amountMinor,
    );
  const handed = (what: 'paid' | 'givenBack') =>
    sum(
      byHand.filter((one) => one.what === what),
      ({ amountMinor }) => amountMinor,
    );
  const whole = (of: (one: Authorisation) => number) => sum(authorisations, of);
  const capturedMinor = whole((one) => one.capturedMinor);
  // Money in the hand is paid once it is in the hand; what is left of it is given back.
  const paidMinor = done('charge') + handed('paid') + taken;
  const refundedMinor = done('refund') + handed('givenBack');
  return {
    authorisations,
    heldMinor: whole((one) => one.heldMinor),
    capturedMinor,
    releasedMinor: whole((one) => one.releasedMinor),
    expiredMinor: whole((one) => one.expiredMinor),
    stillHeldMinor: whole((one) => one.stillHeldMinor),
    byHandHeldMinor: taken,
    refundableMinor: capturedMinor + done('charge') - done('refund'),
    paidMinor,
    refundedMinor,
    totalMinor,
    balanceMinor: totalMinor - capturedMinor - paidMinor + refundedMinor,
    inDoubt: [
      ...asked.flatMap((one): InDoubt[] =>
        one.answer === 'unknown' ? [{ payment: one.attempt, what: 'hold', of: undefined, amountMinor: one.amountMinor }] : [],
      ),
      ...payments.flatMap(({ payment, what, of, amountMinor, answer }): InDoubt[] =>
        answer === 'unknown' ? [{ payment, what, of, amountMinor }] : [],
      ),
    ],
    declined: payments.flatMap(({ payment, what, amountMinor, answer, why }) =>
      answer === 'declined' ? [{ payment, what, amountMinor, why }] : [],
    ),
  };
};

/** What is to be asked of the terminal next. */
export type Step = { what: 'capture' | 'release' | 'refund'; of?: string; amountMinor: number };

/**
 * The next thing to ask of the terminal so that what is owed is taken from what is held, what is disputed stays held, and the
 * rest is let go, and what was taken too much is given back: one at a time, and nothing while something is in doubt.
 * @param keepMinor what has to stay held: disputed lines, and those quoted later
 */
export const nextStep = (ledger: Ledger, keepMinor: number): Step | undefined => {
  if (ledger.inDoubt.length > 0) return undefined;
  if (ledger.balanceMinor < 0 && ledger.refundableMinor > 0)
    return { what: 'refund', amountMinor: Math.min(-ledger.balanceMinor, ledger.refundableMinor) };
  const held = ledger.authorisations.filter(({ stillHeldMinor }) => stillHeldMinor > 0);
  const [first] = held;
  if (!first) return undefined;
  if (ledger.balanceMinor > 0)
    return { what: 'capture', of: first.attempt, amountMinor: Math.min(first.stillHeldMinor, ledger.balanceMinor) };
  const over = ledger.stillHeldMinor - Math.max(0, keepMinor);
  // The last one that is held is let go first, so that what stays is held by as few as possible.
  const last = held[held.length - 1]!;
  return over > 0 ? { what: 'release', of: last.attempt, amountMinor: Math.min(last.stillHeldMinor, over) } : undefined;
};

/** Whether nothing is to be moved, paid or asked about any more; what has to stay held may be held. @param keepMinor as above */
export const isAtRest = (ledger: Ledger, keepMinor: number): boolean =>
  ledger.inDoubt.length === 0 && ledger.balanceMinor === 0 && nextStep(ledger, keepMinor) === undefined;
