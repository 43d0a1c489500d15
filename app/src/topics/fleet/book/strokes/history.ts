import { useReducer } from 'react';

/** What was, and what was undone; only so many steps are kept. */
type History<T> = { past: readonly T[]; now: T; ahead: readonly T[] };
type Step<T> = { is: 'put'; next: T } | { is: 'undo' } | { is: 'redo' };
const MOST = 100;

const stepped = <T>(history: History<T>, step: Step<T>): History<T> => {
  const { past, now, ahead } = history;
  if (step.is === 'put') return { past: [...past.slice(-MOST + 1), now], now: step.next, ahead: [] };
  if (step.is === 'undo')
    return past.length === 0 ? history : { past: past.slice(0, -1), now: past[past.length - 1]!, ahead: [now, ...ahead] };
  const [next, ...rest] = ahead;
  return next === undefined ? history : { past: [...past, now], now: next, ahead: rest };
};

/** Something that is changed step by step, and back. */
export const useHistory = <T>(first: T) => {
  const [{ past, now, ahead }, go] = useReducer(stepped<T>, { past: [], now: first, ahead: [] });
  return {
    now,
    put: (next: T) => go({ is: 'put', next }),
    undo: past.length > 0 ? () => go({ is: 'undo' }) : undefined,
    redo: ahead.length > 0 ? () => go({ is: 'redo' }) : undefined,
  };
};
