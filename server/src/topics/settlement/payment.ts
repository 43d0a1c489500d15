import { currentOf, currentUnder, type HireRecord } from '@quay/core/events/record';
import { paymentAnswered } from '@quay/core/settlement/events';
import type { Knex } from 'knex';
import type { TerminalAnswer } from '@quay/contract/deposit';
import type { EventBody } from '@quay/core/record/event';
import { chargedOf, keptFor, standingsOf, type Standing } from '@quay/core/settlement/correction';
import { type InDoubt, ledgerOf, type Ledger, nextStep } from '@quay/core/settlement/ledger';
import type { Statement } from '@quay/core/settlement/statement';
import { askNow, stillHeld } from './deposit';
import { priceList } from '../policy/prices';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import { readingRecord } from '../../platform/database/broken';
import { type Whole, wholeRecord } from '../record/record';
import { closedStatement } from '../record/statement';
import { type Desk, nameOf, oneByOne, silence, waitFor } from './terminal';

export type Paid =
  | { ok: true; state: 'done' | 'inDoubt' | 'declined' | 'none'; why?: string }
  | { ok: false; reason: 'noSuchHire' | 'notClosed' | 'inDoubt' | 'moreThanOwed' };

type Payment = Extract<EventBody, { kind: 'paymentAnswered' }>;
type Asked = Omit<Payment, 'kind' | 'answer'>;

/** So many things are asked of the terminal in one go; more than that means that it does not come to rest. */
const MOST_TURNS = 40;

type Account = { whole: Whole; standings: Standing[]; ledger: Ledger; currency: string; bookVersion: number };

/** What a closed hire's statements come to, and where its money is. */
export const accountOf = async (db: Knex, hire: string): Promise<Account | 'noSuchHire' | 'notClosed'> => {
  const row = await db('hire').where({ id: hire }).first('priceVersion');
  if (!row) return 'noSuchHire';
  const closed: Statement | undefined = (await closedStatement(db, hire))?.statement;
  if (!closed) return 'notClosed';
  const whole = await wholeRecord(db, hire);
  const standings = readingRecord(hire, () => standingsOf(whole.record, closed));
  return {
    whole,
    standings,
    ledger: readingRecord(hire, () => ledgerOf(whole.record, chargedOf(standings))),
    currency: (await priceList(db, row.priceVersion)).currency,
    bookVersion: whole.record.bookVersion ?? 1,
  };
};

const lastSaid = (record: HireRecord, payment: string): Payment | undefined => {
  const body = currentOf(record, ['payment', payment], paymentAnswered)?.currentEvents.at(-1)?.event.body;
  return body?.kind === 'paymentAnswered' ? body : undefined;
};

type Said = { answer: Payment['answer']; reference?: string; why?: string };
const saidOf = (answer: TerminalAnswer | typeof silence): Said => {
  if (answer === silence) return { answer: 'unknown' };
  if (answer.is === 'done') return { answer: 'done', reference: answer.reference };
  if (answer.is === 'declined') return { answer: 'declined', why: answer.why };
  return { answer: 'declined', why: answer.is === 'none' ? 'no terminal is connected' : 'the asking never reached the terminal' };
};

/** Writes down what the terminal said of a payment, unless the record says so already. */
const note = async ({ db, clock }: Desk, hire: string, asked: Asked, said: Said): Promise<Said> => {
  const { record, stored: held } = await wholeRecord(db, hire);
  if (lastSaid(record, asked.payment)?.answer === said.answer) return said;
  await appendQuayEvent(db, hire, {
    body: {
      kind: 'paymentAnswered',
      ...asked,
      answer: said.answer,
      ...(said.reference === undefined ? {} : { reference: said.reference }),
      ...(said.why === undefined ? {} : { why: said.why }),
    },
    seq: nextSeq(held),
    bookVersion: record.bookVersion ?? 1,
    now: clock().toISOString(),
  });
  return said;
};

/** Payments and holdings do not share their names. */
const paymentName = (hire: string, payment: string): string => nameOf(hire, `pay.${payment}`);

/** Asks the terminal for one payment; that it was asked is in the record before. */
const ask = async (desk: Desk, hire: string, currency: string, asked: Asked): Promise<Said> => {
  await note(desk, hire, asked, { answer: 'unknown' });
  const { payment, what, of, amountMinor } = asked;
  const answered = desk.terminal.pay({
    payment: paymentName(hire, payment),
    what,
    of: of === undefined ? undefined : nameOf(hire, of),
    amountMinor,
    currency,
  });
  const answer = await waitFor(answered, desk.terminal.waitMs);
  // What it says after all is heard as well.
  if (answer === silence) void answered.then((late) => oneByOne(hire, () => note(desk, hire, asked, saidOf(late))));
  return note(desk, hire, asked, saidOf(answer));
};

/** What became of something that nobody knows the end of. */
const clear = async (desk: Desk, hire: string, doubt: InDoubt): Promise<boolean> => {
  if (doubt.what === 'hold') {
    const asked = await askNow(desk, hire, doubt.payment, doubt.amountMinor);
    return asked.ok && asked.state !== 'unknown';
  }
  const { payment, what, of, amountMinor } = doubt;
  const answer = await waitFor(desk.terminal.state(paymentName(hire, payment)), desk.terminal.waitMs);
  const said = await note(desk, hire, { payment, what, amountMinor, ...(of === undefined ? {} : { of }) }, saidOf(answer));
  return said.answer !== 'unknown';
};

/**
 * Moves what is to be moved, one thing after the other, until nothing is left to ask for or the terminal does not say. Each
 * asking has a name made from what it is about and how often it was declined, so that repeating this asks for nothing twice.
 */
export const settlePayments = (desk: Desk, hire: string): Promise<Paid> =>
  oneByOne(hire, async (): Promise<Paid> => {
    for (let turn = 0; turn < MOST_TURNS; turn += 1) {
      const account = await accountOf(desk.db, hire);
      if (typeof account === 'string') return { ok: false, reason: account };
      const { ledger, standings, whole, currency } = account;
      const [doubt] = ledger.inDoubt;
      if (doubt) {
        if (!(await clear(desk, hire, doubt))) return { ok: true, state: 'inDoubt' };
        continue;
      }
      const step = nextStep(ledger, keptFor(standings));
      if (!step) return { ok: true, state: 'done' };
      const name = `${step.what}-${step.of ?? 'card'}`;
      const before = currentUnder(whole.record, ['payment'], paymentAnswered).filter(({ value }) =>
        value.payment.startsWith(`${name}-`),
      ).length;
      const said = await ask(desk, hire, currency, { payment: `${name}-${before + 1}`, ...step });
      if (said.answer === 'unknown') return { ok: true, state: 'inDoubt' };
      if (said.answer === 'done') continue;
      // A holding that will not give may be gone: then there is nothing to take from it any more.
      const gone =
        step.of !== undefined &&
        (await stillHeld(desk, hire, step.of, ledger.authorisations.find(({ attempt }) => attempt === step.of)!.heldMinor)) !==
          'authorised';
      if (!gone) return { ok: true, state: 'declined', ...(said.why === undefined ? {} : { why: said.why }) };
    }
    throw new Error(`the payments of ${hire} do not come to rest`);
  });

/** Takes by card what the deposit does not cover. */
export const chargeCard = (
  desk: Desk,
  { hireId, payment, amountMinor }: { hireId: string; payment: string; amountMinor: number },
): Promise<Paid> =>
  oneByOne(hireId, async (): Promise<Paid> => {
    const account = await accountOf(desk.db, hireId);
    if (typeof account === 'string') return { ok: false, reason: account };
    const { ledger, whole, currency } = account;
    const before = lastSaid(whole.record, payment);
    const state = ({ answer, why }: Said): Paid => ({
      ok: true,
      state: answer === 'unknown' ? 'inDoubt' : answer,
      ...(why === undefined ? {} : { why }),
    });
    // Repeated by a phone that never got the reply: the answer stands, and an open one is asked about.
    if (before?.answer === 'unknown') {
      await clear(desk, hireId, { ...before, of: before.of });
      return state(lastSaid((await wholeRecord(desk.db, hireId)).record, payment)!);
    }
    if (before) return state(before);
    if (ledger.inDoubt.length > 0) return { ok: false, reason: 'inDoubt' };
    if (amountMinor > ledger.balanceMinor) return { ok: false, reason: 'moreThanOwed' };
    return state(await ask(desk, hireId, currency, { payment, what: 'charge', amountMinor }));
  });

/** What is still held under a terminal's name for a holding, for a simulated one that has forgotten; minor units. */
export const heldBefore = async (db: Knex, name: string): Promise<number | undefined> => {
  const [hire, attempt] = name.split('.') as [string, string | undefined];
  if (attempt === undefined) return undefined;
  const { record } = await wholeRecord(db, hire);
  return ledgerOf(record, 0).authorisations.find((one) => one.attempt === attempt && one.stillHeldMinor > 0)?.stillHeldMinor;
};
