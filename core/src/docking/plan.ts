import type { Base } from '../fleet/base';
import { crabAngle, lyingDrift } from './drift';
import type { HullFigures } from './hull';
import { coasting, stopping } from './stop';

/** How to come alongside: which way round, from where, how fast, where to take way off, which line first, and why. */

export type BerthKind = Base['berths'][number]['kind'];
export type Berth = {
  kind: BerthKind;
  /** The way she points lying in it, degrees true. */
  headingDeg: number;
  /** The side of hers the dock is on, lying so. */
  side: 'port' | 'starboard';
  /** At lowest water, and what the tide adds now, m. */
  depthM?: number | undefined;
  tideM?: number | undefined;
};
/** Degrees true; wind where it comes from, current where it runs to; m/s. */
export type Conditions = { windFromDeg: number; windMs: number; currentToDeg: number; currentMs: number };
export type Limits = {
  /** She stays in above. */
  windMs: number;
  /** The most she is pointed up against a drift. */
  crabDeg: number;
  approachMs: number;
  /** Water wanted under her. */
  underKeelM: number;
};
export const USUAL_LIMITS: Limits = { windMs: 10, crabDeg: 25, approachMs: 1, underKeelM: 0.3 };

export type Plan = {
  ok: true;
  /** Degrees true: the way along the dock she makes good, and the heading to hold for it. */
  trackDeg: number;
  headingDeg: number;
  /** Whether she lies the other way round than the berth is drawn. */
  turned: boolean;
  side: 'port' | 'starboard';
  /** What she comes up against, and so keeps steerage at the least way. */
  against: 'wind' | 'current' | 'nothing';
  /** Across the dock: set off it, onto it, or neither. */
  set: 'off' | 'on' | 'none';
  setMs: number;
  /** Through the water, m/s. */
  speedMs: number;
  /** Before the middle of the berth, along the track over ground, m. */
  startM: number;
  neutralM: number;
  reverseM: number;
  /** Between track and dock at the start, degrees: steeper against a wind off the dock. */
  angleDeg: number;
  firstLine: 'bow' | 'stern' | 'midship';
  why: 'fallsOff' | 'runsOn' | 'blowsOff' | 'restsOn';
  fenders: 'all' | 'bowAndMiddle';
};
export type NoPlan = {
  ok: false;
  /** `askIn`: to be taken in by staff; `wait`: for less wind, more water. */
  answer: 'askIn' | 'wait';
  reason: 'wind' | 'setTooStrong' | 'currentCarries' | 'shallow' | 'figure';
  /** Of what: the figure that is not there or cannot be. */
  figure?: string;
};

const RAD = Math.PI / 180;
const turnOf = (deg: number): number => ((deg % 360) + 360) % 360;

/** Reverse is engaged when neutral has brought her down to this share of her way over the ground. */
const SLOWED = 0.6;
/** Below this nothing is felt at the helm, m/s. */
const FELT_MS = 0.05;
/** How wind and current are weighed against each other ahead: a current moves all of her, a wind what stands up. */
const WIND_WORTH = 0.06;

const figureWrong = (berth: Berth, now: Conditions): string | undefined => {
  const inside = (value: number, from: number, to: number) => Number.isFinite(value) && value >= from && value <= to;
  if (!inside(berth.headingDeg, 0, 360)) return 'headingDeg';
  if (!inside(now.windMs, 0, 40)) return 'windMs';
  if (!inside(now.currentMs, 0, 5)) return 'currentMs';
  if (!inside(now.windFromDeg, 0, 360)) return 'windFromDeg';
  return inside(now.currentToDeg, 0, 360) ? undefined : 'currentToDeg';
};

/** Wind and current along a course and across it to starboard, over ground, m/s; wind by where it blows to. */
export const components = (courseDeg: number, { windFromDeg, windMs, currentToDeg, currentMs }: Conditions) => {
  const wind = (windFromDeg + 180 - courseDeg) * RAD;
  const current = (currentToDeg - courseDeg) * RAD;
  return {
    windAlong: windMs * Math.cos(wind),
    windAcross: windMs * Math.sin(wind),
    currentAlong: currentMs * Math.cos(current),
    currentAcross: currentMs * Math.sin(current),
  };
};

/** Alongside, at a bank or a wall: up against what is stronger, by the side that is then the dock's. */
export const planAlongside = (hull: HullFigures, berth: Berth, now: Conditions, limits: Limits = USUAL_LIMITS): Plan | NoPlan => {
  const figure = figureWrong(berth, now);
  if (figure !== undefined) return { ok: false, answer: 'wait', reason: 'figure', figure };
  if (now.windMs > limits.windMs) return { ok: false, answer: 'wait', reason: 'wind' };
  if (berth.depthM !== undefined && berth.depthM + (berth.tideM ?? 0) < hull.draftM + limits.underKeelM)
    return { ok: false, answer: 'wait', reason: 'shallow' };

  const ahead = (course: number) => {
    const { windAlong, currentAlong } = components(course, now);
    return currentAlong + WIND_WORTH * windAlong;
  };
  // Up-wind or up-current: of the two ways along the dock the one with more against her; as drawn where neither is felt.
  const other = turnOf(berth.headingDeg + 180);
  const turned = ahead(other) < ahead(berth.headingDeg) - FELT_MS;
  const trackDeg = turned ? other : turnOf(berth.headingDeg);
  const side = turned ? (berth.side === 'port' ? 'starboard' : 'port') : berth.side;
  const { windAlong, windAcross, currentAlong, currentAcross } = components(trackDeg, now);
  const drift = lyingDrift(windAcross, currentAcross, hull);
  // As fast over the ground as ever: against a current faster through the water.
  const speedMs = limits.approachMs - currentAlong;
  const crab = crabAngle(drift, speedMs);
  if (crab === undefined || Math.abs(crab) > limits.crabDeg * RAD) return { ok: false, answer: 'askIn', reason: 'setTooStrong' };
  const slower = limits.approachMs * SLOWED - currentAlong;
  const stop = stopping(hull, slower, currentAlong);
  if (!stop.ok) return { ok: false, answer: 'askIn', reason: 'currentCarries' };
  const run = coasting(hull, speedMs, slower, currentAlong);
  // To starboard is onto a dock that lies to starboard.
  const onto = side === 'starboard' ? drift : -drift;
  const set = Math.abs(drift) < FELT_MS ? 'none' : onto > 0 ? 'on' : 'off';
  const neutralM = Math.max(0, stop.metres) + (run.ok ? Math.max(0, run.metres) : 0);
  const against = ahead(trackDeg) > -FELT_MS ? 'nothing' : Math.abs(currentAlong) >= WIND_WORTH * Math.abs(windAlong) ? 'current' : 'wind';
  const withHer = ahead(trackDeg) > FELT_MS;
  const [firstLine, why] =
    set === 'off'
      ? (['midship', 'blowsOff'] as const)
      : withHer
        ? (['stern', 'runsOn'] as const)
        : against === 'nothing' && set === 'on'
          ? (['midship', 'restsOn'] as const)
          : (['bow', 'fallsOff'] as const);
  return {
    ok: true,
    trackDeg,
    // Against a drift to starboard the bow goes to port.
    headingDeg: turnOf(trackDeg - crab / RAD),
    turned,
    side,
    against,
    set,
    setMs: Math.abs(drift),
    speedMs,
    startM: neutralM + 4 * hull.lengthM,
    neutralM,
    reverseM: Math.max(0, stop.metres),
    angleDeg: set === 'off' ? 35 : set === 'on' ? 12 : 20,
    firstLine,
    why,
    fenders: set === 'on' ? 'all' : 'bowAndMiddle',
  };
};
