import { isEntered, currentOf, type HireRecord } from '@quay/core/events/record';
import { depositAnswered } from '@quay/core/settlement/events';
import type { Knex } from 'knex';
import type { TerminalAnswer } from '@quay/contract/deposit';
import { depositOf } from '@quay/core/settlement/deposit';
import { endingHoldings } from '@quay/core/settlement/holding';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { priceList } from '../policy/prices';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import { wholeRecord } from '../record/record';
import { type Desk, nameOf, oneByOne, silence, waitFor } from './terminal';

export type Asking =
  | { ok: true; state: 'authorised' | 'declined' | 'unknown' | 'released' | 'expired' | 'none' }
  | { ok: false; reason: 'noSuchHire' | 'noSuchAsking' | 'closed' | 'openAsking' | 'moreThanWanted' };

type State = 'authorised' | 'declined' | 'unknown' | 'released' | 'expired';
type Said = { state: State; reference?: string; why?: string; expiresAt?: string };

const saidOf = (answer: TerminalAnswer | typeof silence): Said => {
  if (answer === silence || answer.is === 'none') return { state: 'unknown' };
  if (answer.is === 'authorised')
    return { state: 'authorised', reference: answer.reference, ...(answer.expiresAt === undefined ? {} : { expiresAt: answer.expiresAt }) };
  if (answer.is === 'expired') return { state: 'expired' };
  if (answer.is === 'declined') return { state: 'declined', why: answer.why };
  // A terminal that knows nothing of it has held nothing.
  return answer.is === 'released' ? { state: 'released' } : { state: 'declined', why: 'the asking never reached the terminal' };
};

const lastOf = (record: HireRecord, attempt: string) => {
  const body = currentOf(record, ['deposit', attempt], depositAnswered)?.currentEvents.at(-1)?.event.body;
  return body?.kind === 'depositAnswered' ? body : undefined;
};

type Row = { depositMinor: number; priceVersion: number; bookVersion: number | null; boat: string; to: string };
const hireRow = (db: Knex, hire: string) =>
  db('hire').where({ id: hire }).first('depositMinor', 'priceVersion', 'bookVersion', 'boat', 'to') as Promise<Row | undefined>;

/** Writes down what the terminal said, unless the record says so already: answering twice changes nothing. */
const note = async ({ db, clock }: Desk, hire: string, attempt: string, amountMinor: number, said: Said): Promise<State> => {
  const [row, { record, stored: held }] = [(await hireRow(db, hire))!, await wholeRecord(db, hire)];
  const last = lastOf(record, attempt);
  // Two answers that differ are no answer: it is asked again what became of it.
  const over = said.state === 'released' || said.state === 'expired';
  const differs = last && (last.answer === 'authorised' || last.answer === 'declined') && said.state !== last.answer && !over;
  const state = differs ? 'unknown' : said.state;
  if (last?.answer === state) return state;
  const version = row.bookVersion ?? (await db('boat').where({ id: row.boat }).first('bookVersion'))!.bookVersion;
  const { reference, why, expiresAt } = said;
  await appendQuayEvent(db, hire, {
    body: {
      kind: 'depositAnswered',
      attempt,
      amountMinor,
      answer: state,
      ...(reference === undefined ? {} : { reference }),
      ...(why === undefined ? {} : { why }),
      ...(expiresAt === undefined ? {} : { expiresAt }),
    },
    seq: nextSeq(held),
    bookVersion: version,
    now: clock().toISOString(),
  });
  return state;
};

/**
 * Asks the terminal to hold. That it was asked is in the record before it is asked, so that neither a silent terminal nor a
 * quay that stops in the middle leaves anything to be guessed.
 */
export const holdDeposit = (
  desk: Desk,
  { hireId, attempt, amountMinor, instead }: { hireId: string; attempt: string; amountMinor: number; instead?: string | undefined },
): Promise<Asking> =>
  oneByOne(hireId, async (): Promise<Asking> => {
    const row = await hireRow(desk.db, hireId);
    if (!row) return { ok: false, reason: 'noSuchHire' };
    const { record } = await wholeRecord(desk.db, hireId);
    if (isEntered(record, ['closed'])) return { ok: false, reason: 'closed' };
    const before = lastOf(record, attempt);
    // Repeated by a phone that never got the reply: the answer stands, and an open one is asked about.
    if (before) return before.answer === 'unknown' ? askNow(desk, hireId, attempt, before.amountMinor) : { ok: true, state: before.answer };
    const deposit = depositOf(record, row.depositMinor);
    if (deposit.open !== undefined) return { ok: false, reason: 'openAsking' };
    const ending = endingHoldings(ledgerOf(record, 0), desk.clock().toISOString(), row.to).find((one) => one.attempt === instead);
    if (amountMinor > deposit.wantedMinor - deposit.heldMinor + (ending?.amountMinor ?? 0)) return { ok: false, reason: 'moreThanWanted' };
    const { currency } = await priceList(desk.db, row.priceVersion);
    await note(desk, hireId, attempt, amountMinor, { state: 'unknown' });
    const heard = (answer: TerminalAnswer) => oneByOne(hireId, () => note(desk, hireId, attempt, amountMinor, saidOf(answer)));
    const asked = desk.terminal.hold({ attempt: nameOf(hireId, attempt), amountMinor, currency }, (again) => void heard(again));
    const answer = await waitFor(asked, desk.terminal.waitMs);
    // What it says after all is heard as well.
    if (answer === silence) void asked.then(heard);
    if (answer !== silence && answer.is === 'none') {
      await note(desk, hireId, attempt, amountMinor, { state: 'declined', why: 'no terminal is connected' });
      return { ok: true, state: 'none' };
    }
    return { ok: true, state: await note(desk, hireId, attempt, amountMinor, saidOf(answer)) };
  });

/**
 * Holds anew what its bank lets go of too early, and lets go of the old holding once the new one stands: for a moment both
 * are held, and never neither. Safe to repeat.
 */
export const holdInstead = async (
  desk: Desk,
  ask: { hireId: string; attempt: string; amountMinor: number; instead?: string | undefined },
): Promise<Asking> => {
  const asked = await holdDeposit(desk, ask);
  if (ask.instead !== undefined && asked.ok && asked.state === 'authorised')
    await releaseDeposit(desk, { hireId: ask.hireId, attempt: ask.instead });
  return asked;
};

/** What became of an asking, by the terminal's word now. */
export const askNow = async (desk: Desk, hire: string, attempt: string, amountMinor: number): Promise<Asking> => ({
  ok: true,
  state: await note(
    desk,
    hire,
    attempt,
    amountMinor,
    saidOf(await waitFor(desk.terminal.state(nameOf(hire, attempt)), desk.terminal.waitMs)),
  ),
});

/** What is held may have been given back by itself since; anything but the terminal's word for that leaves it held. */
export const stillHeld = async (desk: Desk, hire: string, attempt: string, amountMinor: number): Promise<State> => {
  const answer = await waitFor(desk.terminal.state(nameOf(hire, attempt)), desk.terminal.waitMs);
  return answer !== silence && (answer.is === 'expired' || answer.is === 'released')
    ? note(desk, hire, attempt, amountMinor, { state: answer.is })
    : 'authorised';
};

/** Asks what became of an asking. */
export const askAgain = (desk: Desk, { hireId, attempt }: { hireId: string; attempt: string }): Promise<Asking> =>
  oneByOne(hireId, async (): Promise<Asking> => {
    if (!(await hireRow(desk.db, hireId))) return { ok: false, reason: 'noSuchHire' };
    const before = lastOf((await wholeRecord(desk.db, hireId)).record, attempt);
    if (!before) return { ok: false, reason: 'noSuchAsking' };
    if (before.answer === 'authorised') return { ok: true, state: await stillHeld(desk, hireId, attempt, before.amountMinor) };
    return before.answer === 'unknown' ? askNow(desk, hireId, attempt, before.amountMinor) : { ok: true, state: before.answer };
  });

/** Lets go of what is held; without the terminal's word it stays held. */
export const releaseDeposit = (desk: Desk, { hireId, attempt }: { hireId: string; attempt: string }): Promise<Asking> =>
  oneByOne(hireId, async (): Promise<Asking> => {
    if (!(await hireRow(desk.db, hireId))) return { ok: false, reason: 'noSuchHire' };
    const before = lastOf((await wholeRecord(desk.db, hireId)).record, attempt);
    if (!before) return { ok: false, reason: 'noSuchAsking' };
    if (before.answer !== 'authorised') return { ok: true, state: before.answer };
    const answer = await waitFor(desk.terminal.release(nameOf(hireId, attempt)), desk.terminal.waitMs);
    if (answer === silence || answer.is !== 'released') return { ok: true, state: 'authorised' };
    return { ok: true, state: await note(desk, hireId, attempt, before.amountMinor, { state: 'released' }) };
  });
