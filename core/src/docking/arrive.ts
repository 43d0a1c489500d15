import { crabAngle, lyingDrift } from './drift';
import type { HullFigures } from './hull';
import { ahead, components, type Conditions, type Limits, type Place, RAD, signOf, turnOf, widthOf } from './place';
import type { Arrival, Line, NoPlan, Waypoint } from './plan';
import { saidFor } from './arriving';
import { GAP_M, lineOf } from './scene';
import { coasting, stopping } from './stop';
import { aheadOf, CALM, FELT_MS, setOf, STERN_ANCHOR, WIND_WORTH, wayRound } from './wayRound';
import type { Policies } from '../policy/policies';
import { policyOf } from '../policy/policy';

/** How to come in: which way round, from where, how fast, where to take way off, which line first, and why. */

/** Reverse is engaged when neutral has brought her down to this share of her way over the ground. */
const SLOWED = 0.6;
/** Degrees between the course and the dock: steeper against a wind off it. */
const ANGLES = { off: 35, none: 20, on: 12 } as const;
/** Into a place with walls, and onto a beach, she goes slower than along a dock: share of the usual speed. */
const SLOWER = { slip: 0.7, lift: 0.5, beach: 0.7, lockWall: 0.7, crowdedDock: 0.6, alongside: 1, bank: 0.8 } as const;
/** What is left of her way where she meets bunks or a beach with the engine off, m/s. */
const TOUCH_MS = 0.25;
/** Where the anchor goes over, in lengths before the place. */
const ANCHOR_LENGTHS = 3.5;
const START_LENGTHS = 4;

type Task = { hull: HullFigures; berth: Place & { headingDeg: number }; now: Conditions; limits: Limits; policies: Policies };

export const planArrival = ({ hull, berth, now, limits, policies }: Task): Arrival | NoPlan => {
  const { kind } = berth;
  const { lyingDeg, turned, side } = wayRound(berth, now);
  const { drift: lyingSet, set, setTo, setMs, windward } = setOf(hull, lyingDeg, side, now);
  if (kind === 'crowdedDock') {
    // Held by the stern in wind or current boats capsize; some operators never allow it.
    const only = policyOf(policies, 'bowAnchoringOnly');
    if (only === 'always') return { ok: false, answer: 'askIn', reason: 'sternAnchor' };
    const limit = only === 'exceptCalm' ? CALM : STERN_ANCHOR;
    if (now.windMs > limit.windMs || now.currentMs > limit.currentMs)
      return { ok: false, answer: 'wait', reason: 'sternAnchor', found: now.windMs, limit: limit.windMs };
  }
  const along = kind === 'alongside' || kind === 'bank';
  const angleDeg = along ? ANGLES[set === 'across' ? 'none' : set] : 0;
  const courseDeg = turnOf(lyingDeg + (side === undefined ? 0 : angleDeg * signOf(side)));
  const { windAcross, currentAlong, currentAcross } = components(courseDeg, now);
  const drift = lyingDrift(windAcross, currentAcross, hull);
  const overGround = limits.approachMs * SLOWER[kind];
  // As fast over the ground as ever: against a current faster through the water.
  const speedMs = overGround - currentAlong;
  const crab = crabAngle(drift, speedMs);
  if (crab === undefined || Math.abs(crab) > limits.crabDeg * RAD)
    return {
      ok: false,
      answer: 'askIn',
      reason: 'setTooStrong',
      found: crab === undefined ? 90 : Math.abs(crab) / RAD,
      limit: limits.crabDeg,
    };
  // Between walls she has the room there is, for as long as she takes to come in.
  const inside = kind === 'slip' || kind === 'lift' || kind === 'lockWall';
  const room = widthOf(berth, hull).widthM - hull.beamM;
  // Pointed up until her bow is between them, she is swept while the second half of her follows.
  const swept = Math.abs(lyingSet) * (hull.lengthM / 2 / overGround);
  if (inside && room < 2 * GAP_M) return { ok: false, answer: 'elsewhere', reason: 'narrow', found: room, limit: 2 * GAP_M };
  if (inside && kind !== 'lockWall' && swept > room) return { ok: false, answer: 'askIn', reason: 'narrow', found: swept, limit: room };
  const slower = overGround * SLOWED - currentAlong;
  const stop = stopping(hull, slower, currentAlong);
  if (!stop.ok) return { ok: false, answer: 'askIn', reason: 'currentCarries' };
  const run = coasting(hull, speedMs, slower, currentAlong);
  const reverseM = Math.max(0, stop.metres);
  const neutralM = reverseM + (run.ok ? Math.max(0, run.metres) : 0);
  // Onto bunks and beaches with the engine off: she runs on until hardly any way is left.
  const touching = Math.max(0.05, TOUCH_MS - currentAlong);
  const runIn = coasting(hull, Math.max(speedMs, touching), touching, currentAlong);
  const driftInM = runIn.ok ? Math.max(0, runIn.metres) : 0;
  const engineOff = kind === 'lift' || (kind === 'beach' && policyOf(policies, 'beach') === 'engineOffEarly');
  const against =
    aheadOf(lyingDeg, now) > -FELT_MS
      ? 'nothing'
      : Math.abs(components(lyingDeg, now).currentAlong) >= WIND_WORTH * Math.abs(components(lyingDeg, now).windAlong)
        ? 'current'
        : 'wind';
  const startM = Math.max(neutralM, engineOff ? driftInM : 0) + START_LENGTHS * hull.lengthM;
  const crabDeg = -crab / RAD;
  const anchorM = Math.max(ANCHOR_LENGTHS * hull.lengthM, neutralM + 1);
  const said = saidFor({
    anchorM,
    kind,
    side,
    set,
    setTo,
    windward,
    against,
    withHer: aheadOf(lyingDeg, now) > FELT_MS,
    turned,
    crabDeg,
    angleDeg,
    startM,
    neutralM,
    reverseM,
    driftInM,
    aimOffM: inside ? Math.min(swept, room) / 2 : 0,
    engineOff,
  });
  const headingDeg = turnOf(courseDeg + crabDeg);
  const on = (at: Waypoint['at'], metres: number): Waypoint => ({ at, point: ahead([0, 0], courseDeg, -metres), headingDeg });
  const slowing: Waypoint[] = engineOff ? [on('neutral', driftInM)] : [on('neutral', neutralM), on('reverse', reverseM)];
  return {
    ok: true,
    act: 'arrive',
    kind,
    lyingDeg,
    turned,
    side,
    set,
    setTo,
    setMs,
    against,
    courseDeg,
    headingDeg,
    speedMs,
    startM,
    neutralM,
    reverseM,
    angleDeg,
    path: [
      on('start', startM),
      ...(kind === 'crowdedDock' ? [on('anchor', anchorM)] : []),
      ...slowing,
      { at: 'place', point: [0, 0], headingDeg: lyingDeg },
    ],
    lines: said.lines.map(([line, why]): Line => lineOf(line, why, berth, hull, lyingDeg, side, windward)),
    fenders: said.fenders,
    crew: said.crew,
    steps: said.steps,
    wayOut: said.wayOut,
  };
};
