import { createHash } from 'node:crypto';
import type { CardTerminal, TerminalAnswer } from '@quay/contract/deposit';
import type { Simulated } from '@quay/contract/outside';

/**
 * A simulated card terminal. It can be told to decline, to be silent (having held or not: whoever asks cannot know) and to
 * answer twice. What it holds it holds as long as this program runs.
 */
export const simulatedCardTerminal = (): CardTerminal & Simulated<'cardTerminal'> => {
  const known = new Map<string, TerminalAnswer>();
  const never = new Promise<never>(() => undefined);
  const terminal: CardTerminal & Simulated<'cardTerminal'> = {
    simulated: true,
    waitMs: 8000,
    mode: 'works',
    hold: ({ attempt }, again) => {
      const before = known.get(attempt);
      if (terminal.mode === 'silent') {
        // Whether it got through before the line went dead hangs on the name alone, so that a journey can be repeated.
        const digest = createHash('sha256').update(attempt).digest();
        if (!before && digest[0]! % 2 === 0) known.set(attempt, { is: 'held', reference: digest.toString('hex').slice(0, 8) });
        return never;
      }
      if (before) return Promise.resolve(before);
      const answer: TerminalAnswer =
        terminal.mode === 'declines'
          ? { is: 'declined', why: 'no cover' }
          : { is: 'held', reference: createHash('sha256').update(attempt).digest('hex').slice(0, 8) };
      known.set(attempt, answer);
      if (terminal.mode === 'answersTwice') setImmediate(() => again(answer));
      return Promise.resolve(answer);
    },
    state: (attempt) => (terminal.mode === 'silent' ? never : Promise.resolve(known.get(attempt) ?? { is: 'neverAsked' })),
    release: (attempt) => {
      if (terminal.mode === 'silent') return never;
      if (known.get(attempt)?.is === 'held') known.set(attempt, { is: 'released' });
      return Promise.resolve(known.get(attempt) ?? { is: 'neverAsked' });
    },
  };
  return terminal;
};
