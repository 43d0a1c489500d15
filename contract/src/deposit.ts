import * as z from 'zod/mini';
import type { PAYMENTS } from '@quay/core/settlement/events';
import { endpoint } from './endpoint';
import { hireParams, Id, nothing } from './parts';

/** What a card terminal says of one asking; `neverAsked` when it knows nothing of it. */
export type TerminalAnswer =
  | { is: 'authorised'; reference: string; expiresAt?: string }
  | { is: 'declined'; why: string }
  | { is: 'released' }
  /** What was held was given back by itself, its time being over. */
  | { is: 'expired' }
  /** Paid, taken from what is held, let go in part or given back, as it was asked. */
  | { is: 'done'; reference: string }
  | { is: 'neverAsked' }
  /** No terminal is connected. */
  | { is: 'none' };

export type PaymentAsk = {
  payment: string;
  what: (typeof PAYMENTS)[number];
  of?: string | undefined;
  amountMinor: number;
  currency: string;
};

/**
 * What the quay asks of a card terminal; a simulator and a real one answer alike. Each asking has a name of its own, and the
 * same name never holds twice. A terminal may not answer at all: whoever asks waits only so long.
 */
export type CardTerminal = {
  /** Said on screen wherever its answer is shown. */
  simulated: boolean;
  /** How long it is waited for, ms; beyond that nobody knows what became of an asking. */
  waitMs: number;
  /** @param again hears every further answer to the same asking */
  hold(ask: { attempt: string; amountMinor: number; currency: string }, again: (answer: TerminalAnswer) => void): Promise<TerminalAnswer>;
  /** What became of an asking. */
  state(attempt: string): Promise<TerminalAnswer>;
  release(attempt: string): Promise<TerminalAnswer>;
  /**
   * Takes from what is held or lets a part of it go (`of` names the holding), takes more by card, or gives back. The same
   * name never moves money twice.
   */
  pay(ask: PaymentAsk): Promise<TerminalAnswer>;
};

export const DepositReply = z.object({
  state: z.enum(['authorised', 'declined', 'unknown', 'released', 'expired', 'none']),
  simulated: z.boolean(),
});
export type DepositReply = z.infer<typeof DepositReply>;

const attemptParams = z.extend(hireParams, { attempt: Id });

export const holdDeposit = endpoint({
  name: 'holdDeposit',
  summary: 'Asks the card terminal to hold a deposit. Safe to repeat: an asking of the same name never holds twice.',
  method: 'POST',
  path: '/hires/:hireId/deposit/:attempt',
  roles: ['hand', 'manager'],
  params: attemptParams,
  query: nothing,
  body: z.object({
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    /** A holding whose time ends, which this one stands in for: let go of as soon as this one is held. */
    instead: z.optional(Id),
  }),
  reply: DepositReply,
});

export const askDeposit = endpoint({
  name: 'askDeposit',
  summary: 'Asks the card terminal what became of an asking whose answer never came.',
  method: 'POST',
  path: '/hires/:hireId/deposit/:attempt/ask',
  roles: ['hand', 'manager'],
  params: attemptParams,
  query: nothing,
  body: nothing,
  reply: DepositReply,
});

export const releaseDeposit = endpoint({
  name: 'releaseDeposit',
  summary: 'Lets go of a deposit that was held; what the terminal does not confirm stays held.',
  method: 'POST',
  path: '/hires/:hireId/deposit/:attempt/release',
  roles: ['hand', 'manager'],
  params: attemptParams,
  query: nothing,
  body: nothing,
  reply: DepositReply,
});
