import type { Base } from '../fleet/base';
import { dateOf, instantOf, type Instant, shiftDay } from '../time/zone';
import { nextDusk } from './light';
import type { Deadline } from './reach/turnRound';

export type DeadlinesCase = {
  base: Pick<Base, 'zone' | 'position'>;
  /** When the boat is due back. */
  to: Instant;
  night: 'allowed' | 'restricted' | 'forbidden';
  /** Nobody under way from then on, each evening, local time. */
  curfew: string | undefined;
};

/**
 * What she has to be home before, the nearest of each: when she is due, the end of daylight, and the curfew. Evenings come
 * again on every day of a hire; one that is over by now is the next day's.
 */
export const deadlinesAt = (now: Instant, { base, to, night, curfew }: DeadlinesCase): Deadline[] => {
  const found: Deadline[] = [{ is: 'due', atMs: Date.parse(to) }];
  const dusk = night === 'allowed' || !base.position ? undefined : nextDusk(now, base.position)?.dusk;
  if (dusk !== undefined) found.push({ is: 'dark', atMs: Date.parse(dusk) });
  if (curfew !== undefined) {
    const today = dateOf(now, base.zone);
    const tonight = instantOf(`${today}T${curfew}`, base.zone);
    found.push({ is: 'curfew', atMs: Date.parse(tonight > now ? tonight : instantOf(`${shiftDay(today, 1)}T${curfew}`, base.zone)) });
  }
  return found.sort((a, b) => a.atMs - b.atMs);
};
