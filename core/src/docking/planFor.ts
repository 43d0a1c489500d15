import type { Policies } from '../policy/policies';
import { planArrival } from './arrive';
import type { HullFigures } from './hull';
import { planDeparture } from './leave';
import { planLying } from './lie';
import { type Conditions, type Limits, type Place, USUAL_LIMITS } from './place';
import type { Act, NoPlan, Plan } from './plan';
import { BOW_DRAFT } from './scene';

/** The water she needs to come in: onto a beach her bow may touch. */
const needsM = (hull: HullFigures, berth: Place, limits: Limits): number =>
  berth.kind === 'beach' ? hull.draftM * BOW_DRAFT : hull.draftM + limits.underKeelM;

/**
 * The plan of coming to a berth, leaving it or lying at it, in the wind and current there are; or why there is none.
 * @param now taken as it is: {@link ./place.conditionsOf} replaces what is missing
 */
export const planFor = (
  act: Act,
  {
    hull,
    berth,
    now,
    limits = USUAL_LIMITS,
    policies = {},
  }: { hull: HullFigures; berth: Place; now: Conditions; limits?: Limits; policies?: Policies },
): Plan | NoPlan => {
  const { headingDeg, side, kind } = berth;
  if (headingDeg === undefined) return { ok: false, answer: 'askIn', reason: 'figure', figure: 'headingDeg' };
  if (side === undefined && (kind === 'alongside' || kind === 'bank'))
    return { ok: false, answer: 'askIn', reason: 'figure', figure: 'side' };
  const place = { ...berth, headingDeg };
  if (act === 'lie') return planLying({ hull, berth: place, now, underKeelM: limits.underKeelM });
  if (now.windMs > limits.windMs) return { ok: false, answer: 'wait', reason: 'wind', found: now.windMs, limit: limits.windMs };
  if (berth.depthM !== undefined) {
    const [has, needs] = [berth.depthM + now.waterM, needsM(hull, berth, limits)];
    if (has < needs) return { ok: false, answer: 'wait', reason: 'shallow', found: has, limit: needs };
  }
  return act === 'arrive' ? planArrival({ hull, berth: place, now, limits, policies }) : planDeparture({ hull, berth: place, now });
};
