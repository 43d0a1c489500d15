import { dateOf } from '../time/zone';
import type { DayHire, HireState } from './board';

/** The hires of one day by the clocks of its base: who leaves on it, who comes back of those that left before, who is away all through it. */
export const bookedOn = <Hire extends Pick<DayHire, 'from' | 'to'>>(hires: readonly Hire[], day: string, zone: string) => {
  const dated = hires.map((hire) => ({ hire, from: dateOf(hire.from, zone), to: dateOf(hire.to, zone) }));
  const those = (fits: (from: string, to: string) => boolean) => dated.filter(({ from, to }) => fits(from, to)).map(({ hire }) => hire);
  return {
    leaving: those((from) => from === day),
    returning: those((from, to) => from < day && to === day).sort((a, b) => (a.to < b.to ? -1 : 1)),
    away: those((from, to) => from < day && to > day),
  };
};

/** How far hires have come, as somebody asks for them. */
export const PHASES = ['leaving', 'out', 'back', 'closed', 'cancelled'] as const;
export type Phase = (typeof PHASES)[number];
export const phaseOf = (state: HireState): Phase =>
  state === 'closed' || state === 'cancelled'
    ? state
    : state === 'out'
      ? 'out'
      : state === 'walkingIn' || state === 'settling'
        ? 'back'
        : 'leaving';
