import { currentOf, type HireRecord } from '../events/record';
import { happenedAt } from '../events/stored';
import type { CanalPlan } from './canal/canalPlan';
import { type AgreedPlan, planAgreed } from './events';
import type { DayPlan } from './plan';
import type { Stay } from './reach/turnRound';
import type { Trust } from './reach/weatherAhead';

/** The plan that a hire leaves with, as it is kept and read again. */

/** @returns the plan that holds, and since when; nothing where none was agreed on */
export const agreedPlan = (record: HireRecord): { plan: AgreedPlan; atMs: number } | undefined => {
  const all = currentOf(record, ['trip', 'plan'], planAgreed)?.currentEvents ?? [];
  const last = [...all].sort((a, b) => happenedAt(a) - happenedAt(b)).at(-1);
  return last && { plan: last.event.body.plan, atMs: happenedAt(last) };
};

const MINUTE = 60_000;
/** To the minute before: whoever keeps to it is not late. */
const wholeMinute = (ms: number): string => new Date(Math.floor(ms / MINUTE) * MINUTE).toISOString();

/** A day as it is kept; nothing where it cannot be had any more. @param to a place by its name, where one was chosen */
export const dayToKeep = (
  stay: Pick<Stay, 'arriveMs' | 'leaveMs' | 'binds'>,
  { aim }: Pick<DayPlan, 'aim'>,
  trust: Pick<Trust, 'from'>,
  to: string | undefined,
): AgreedPlan | undefined =>
  stay.leaveMs < stay.arriveMs
    ? undefined
    : { is: 'day', aim, by: wholeMinute(stay.leaveMs), binds: stay.binds, weather: trust.from, ...(to === undefined ? {} : { to }) };

/** Days on a canal as they are kept; nothing where none can be had. */
export const canalToKeep = (plan: CanalPlan): AgreedPlan | undefined =>
  plan.is === 'plan'
    ? {
        is: 'canal',
        turn: plan.turn.name,
        days: plan.days.map(({ day, night }) => ({ day, ...(night ? { night: night.name } : {}) })),
      }
    : undefined;

/** Minutes by which a plan may be made anew and still be the same one. */
const SAME_MIN = 10;

/** Whether two plans say the same, as nearly as anybody keeps to one. */
export const samePlan = (a: AgreedPlan, b: AgreedPlan): boolean => {
  if (a.is === 'day' && b.is === 'day')
    return a.aim === b.aim && a.to === b.to && Math.abs(Date.parse(a.by) - Date.parse(b.by)) <= SAME_MIN * MINUTE;
  if (a.is === 'canal' && b.is === 'canal')
    return (
      a.turn === b.turn &&
      a.days.length === b.days.length &&
      a.days.every(({ day, night }, i) => day === b.days[i]!.day && night === b.days[i]!.night)
    );
  return false;
};
