import type { BodyOf } from '../events/define';
import { currentOf, currentUnder, type HireRecord } from '../events/record';
import { depositAnswered, depositTaken } from './events';

/** What is held of a deposit, by what the terminal answered and by what was taken by hand; amounts in minor units. */
export type Deposit = {
  /** `unknown`: an asking went out and nobody knows what became of it; nothing is guessed. */
  state: 'notNeeded' | 'none' | 'part' | 'authorised' | 'declined' | 'unknown';
  wantedMinor: number;
  heldMinor: number;
  /** The asking whose outcome is not known. */
  open: string | undefined;
  /** Why the last asking was declined. */
  why: string | undefined;
};

type Answered = BodyOf<typeof depositAnswered>;

/** Every asking of the terminal with what is known of it last, oldest asking first. */
const askings = (record: HireRecord): Answered[] =>
  currentUnder(record, ['deposit'], depositAnswered).flatMap(({ currentEvents }) => {
    const body = currentEvents.at(-1)?.event.body;
    return body?.kind === 'depositAnswered' ? [body] : [];
  });

export const depositOf = (record: HireRecord, wantedMinor: number): Deposit => {
  const all = askings(record);
  const taken = currentOf(record, ['depositTaken'], depositTaken)?.value.amountMinor ?? 0;
  const heldMinor = all.reduce((sum, { answer, amountMinor }) => sum + (answer === 'authorised' ? amountMinor : 0), taken);
  const open = all.find(({ answer }) => answer === 'unknown')?.attempt;
  const last = all.at(-1);
  const short = open !== undefined ? 'unknown' : heldMinor > 0 ? 'part' : last?.answer === 'declined' ? 'declined' : ('none' as const);
  return {
    state: wantedMinor === 0 ? 'notNeeded' : heldMinor >= wantedMinor ? 'authorised' : short,
    wantedMinor,
    heldMinor,
    open,
    why: last?.answer === 'declined' ? last.why : undefined,
  };
};
