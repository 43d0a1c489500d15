import { createHash } from 'node:crypto';
import type { CardTerminal, PaymentAsk, TerminalAnswer } from '@quay/contract/deposit';
import type { Simulated } from '@quay/contract/simulators';

/** How long a simulated holding lasts before it is given back by itself. */
const HOLDS_MS = 7 * 86_400_000;

type Holding = { leftMinor: number; expiresAt: number; reference: string };

/**
 * A simulated card terminal. It can be told to decline, to be silent (having done what it was asked or not: whoever asks
 * cannot know), to answer twice, and to have given back everything it held. What it holds it holds as long as this program
 * runs.
 */
export const simulatedCardTerminal = ({
  now = () => new Date(),
  remembered = () => Promise.resolve(undefined),
}: {
  now?: () => Date;
  /** What it held under a name before this program was started, minor units: a real one would not have forgotten. */
  remembered?: (attempt: string) => Promise<number | undefined>;
} = {}): CardTerminal & Simulated<'cardTerminal'> => {
  const known = new Map<string, TerminalAnswer>();
  const holdings = new Map<string, Holding>();
  /** What was taken by card and can be given back. */
  let taken = 0;
  const never = new Promise<never>(() => undefined);
  const digestOf = (name: string) => createHash('sha256').update(name).digest();
  const referenceOf = (name: string) => digestOf(name).toString('hex').slice(0, 8);
  const isOver = (holding: Holding) => terminal.mode === 'expires' || holding.expiresAt <= now().getTime();
  /** Whether something got through before the line went dead hangs on its name alone, so that a journey can be repeated. */
  const gotThrough = (name: string) => digestOf(name)[0]! % 2 === 0;

  const held = (attempt: string, amountMinor: number): TerminalAnswer => {
    const holding = { leftMinor: amountMinor, expiresAt: now().getTime() + HOLDS_MS, reference: referenceOf(attempt) };
    holdings.set(attempt, holding);
    return { is: 'authorised', reference: holding.reference, expiresAt: new Date(holding.expiresAt).toISOString() };
  };
  const recall = async (name: string | undefined) => {
    if (name === undefined || known.has(name)) return;
    const leftMinor = await remembered(name);
    if (leftMinor !== undefined && !known.has(name)) known.set(name, held(name, leftMinor));
  };
  const moved = ({ payment, what, of, amountMinor }: PaymentAsk): TerminalAnswer => {
    if (what === 'capture' || what === 'release') {
      const holding = of === undefined ? undefined : holdings.get(of);
      if (!holding) return { is: 'declined', why: 'nothing is held so' };
      if (isOver(holding)) return { is: 'declined', why: 'given back meanwhile' };
      if (holding.leftMinor < amountMinor) return { is: 'declined', why: 'more than is held' };
      holding.leftMinor -= amountMinor;
    }
    if (what === 'refund' && amountMinor > taken) return { is: 'declined', why: 'more than was taken' };
    if (what !== 'release') taken += what === 'refund' ? -amountMinor : amountMinor;
    return { is: 'done', reference: referenceOf(payment) };
  };

  const terminal: CardTerminal & Simulated<'cardTerminal'> = {
    simulated: true,
    waitMs: 8000,
    mode: 'works',
    hold: ({ attempt, amountMinor }, again) => {
      const before = known.get(attempt);
      if (terminal.mode === 'silent') {
        if (!before && gotThrough(attempt)) known.set(attempt, held(attempt, amountMinor));
        return never;
      }
      if (before) return Promise.resolve(before);
      const answer: TerminalAnswer = terminal.mode === 'declines' ? { is: 'declined', why: 'no cover' } : held(attempt, amountMinor);
      known.set(attempt, answer);
      if (terminal.mode === 'answersTwice') setImmediate(() => again(answer));
      return Promise.resolve(answer);
    },
    state: async (name) => {
      if (terminal.mode === 'silent') return never;
      await recall(name);
      const holding = holdings.get(name);
      const answer = known.get(name) ?? { is: 'neverAsked' };
      return holding && answer.is === 'authorised' && isOver(holding) ? { is: 'expired' } : answer;
    },
    release: async (attempt) => {
      if (terminal.mode === 'silent') return never;
      await recall(attempt);
      if (known.get(attempt)?.is === 'authorised') known.set(attempt, { is: 'released' });
      return known.get(attempt) ?? { is: 'neverAsked' };
    },
    pay: async (ask) => {
      await recall(ask.of);
      const before = known.get(ask.payment);
      if (terminal.mode === 'silent') {
        if (!before && gotThrough(ask.payment)) known.set(ask.payment, moved(ask));
        return never;
      }
      if (before) return before;
      const answer: TerminalAnswer =
        terminal.mode === 'declines' && ask.what === 'charge' ? { is: 'declined', why: 'no cover' } : moved(ask);
      known.set(ask.payment, answer);
      return answer;
    },
  };
  return terminal;
};
