import type { Book } from '../fleet/book';
import { hullFigures } from '../docking/hull';
import type { Policies } from '../policy/policies';
import { policyOf } from '../policy/policy';
import type { Base } from '../fleet/base';
import type { LonLat } from '../geometry/plane';
import { dateOf } from '../time/zone';
import type { Waters } from '../waters/zone';
import { deadlinesAt } from './deadlines';
import { CHOP_PER_MS, type Pace, usualPace } from './speedTable';
import { type DayOut, type Deadline, spareMs } from './reach/turnRound';
import type { WeatherAhead } from './reach/weatherAhead';

/** What is known of a hire when its day is reckoned. */
export type PlanCase = {
  waters: Waters;
  base: Base;
  book: Book;
  policies: Policies;
  /** Of the hire. */
  from: string;
  to: string;
  out: boolean;
  nowMs: number;
  /** Where she is, when somebody said so. */
  here: LonLat | undefined;
  ahead: WeatherAhead;
  fuelH: number | undefined;
};

export type DayPlan = {
  day: Omit<DayOut, 'grid'>;
  draftM: number;
  leastWaterM: number;
  pace: Pace;
  /** Home again before the deadline, or lying somewhere by then. */
  aim: 'home' | 'lie';
};

/** @returns what the day is reckoned with, or why nothing can be reckoned: the hire is over, or nobody said where the base lies */
export const dayPlan = (of: PlanCase): DayPlan | 'over' | 'noBase' => {
  const { waters, base, book, policies, from, to, out, here, ahead, fuelH } = of;
  if (!base.position) return 'noBase';
  // Before she leaves, the day is reckoned from the hour she is had from.
  const nowMs = out ? of.nowMs : Math.max(of.nowMs, Date.parse(from));
  const now = new Date(nowMs).toISOString();
  if (!out && nowMs >= Date.parse(to)) return 'over';
  const tonight = dateOf(now, base.zone) < dateOf(to, base.zone);
  const all = deadlinesAt(now, { base, to, night: policyOf(policies, 'night'), curfew: waters.curfew });
  // Who has her overnight need not be home this evening; by then they lie somewhere.
  const evenings = all.filter(({ is }) => is !== 'due');
  const aim = tonight && evenings.length > 0 ? 'lie' : 'home';
  const deadlines: Deadline[] = aim === 'lie' ? evenings : all;
  const { hull } = hullFigures(book, book.hull);
  const pace = usualPace(book);
  return {
    day: {
      home: aim === 'home' ? base.position : undefined,
      here: here ?? base.position,
      nowMs,
      deadlines,
      weather: ahead.weather,
      mover: { cruiseMs: pace.speedMs, chopPerMs: CHOP_PER_MS[book.kind], hull },
      fuelH: aim === 'home' ? fuelH : undefined,
    },
    draftM: hull.draftM,
    // Depths are those of lowest water; only a tide is known to stand above it.
    leastWaterM: waters.kind === 'tidal' ? Math.max(0, ahead.leastWaterM) : 0,
    pace,
    aim,
  };
};

/** Kept back of what is left, minutes. @param homeMs the way home */
export const spareMinutes = (homeMs: number): number => Math.round(spareMs(homeMs) / 60_000);
