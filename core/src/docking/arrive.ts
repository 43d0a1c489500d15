import { crabAngle, lyingDrift } from './drift';
import type { HullFigures } from './hull';
import {
  ahead,
  components,
  type Conditions,
  liesAlong,
  type Limits,
  otherSide,
  type Place,
  RAD,
  type Side,
  sideOf,
  signOf,
  turnOf,
  widthOf,
} from './place';
import type { Arrival, Fenders, Line, LineName, NoPlan, Post, Step, Waypoint, Why } from './plan';
import { GAP_M, lineOf } from './scene';
import { coasting, stopping } from './stop';
import type { Schools } from '../fleet/schools';
import { schoolOf } from '../fleet/school';

/** How to come in: which way round, from where, how fast, where to take way off, which line first, and why. */

/** Reverse is engaged when neutral has brought her down to this share of her way over the ground. */
const SLOWED = 0.6;
/** Below this nothing is felt at the helm, m/s. */
export const FELT_MS = 0.05;
/** How wind and current are weighed against each other ahead: a current moves all of her, a wind what stands up. */
const WIND_WORTH = 0.06;
/** Degrees between the course and the dock: steeper against a wind off it. */
const ANGLES = { off: 35, none: 20, on: 12 } as const;
/** Into a place with walls, and onto a beach, she goes slower than along a dock: share of the usual speed. */
const SLOWER = { slip: 0.7, lift: 0.5, beach: 0.7, lockWall: 0.7, crowdedDock: 0.6, alongside: 1, bank: 0.8 } as const;
/** What is left of her way where she meets bunks or a beach with the engine off, m/s. */
const TOUCH_MS = 0.25;
/** The most of a stern anchor, m/s: boats capsize held by the stern in wind or current. */
export const STERN_ANCHOR = { windMs: 4, currentMs: 0.15 } as const;
/** Where the anchor goes over, in lengths before the place. */
const ANCHOR_LENGTHS = 3.5;
const START_LENGTHS = 4;

type Task = { hull: HullFigures; berth: Place & { headingDeg: number }; now: Conditions; limits: Limits; schools: Schools };

/** How much is against her on a course; negative is against. */
const aheadOf = (courseDeg: number, now: Conditions): number => {
  const { windAlong, currentAlong } = components(courseDeg, now);
  return currentAlong + WIND_WORTH * windAlong;
};

/** Which way round she lies: up against what is stronger, as drawn where neither is felt. Into a lock there is one way. */
export const wayRound = (
  berth: Place & { headingDeg: number },
  now: Conditions,
): { lyingDeg: number; turned: boolean; side: Side | undefined } => {
  const drawn = turnOf(berth.headingDeg);
  if (berth.kind === 'lockWall') {
    // Nobody said which wall: the one she is set onto, where she rests.
    const { windAcross, currentAcross } = components(drawn, now);
    return { lyingDeg: drawn, turned: false, side: berth.side ?? sideOf(currentAcross + WIND_WORTH * windAcross) };
  }
  if (!liesAlong(berth)) return { lyingDeg: drawn, turned: false, side: undefined };
  const other = turnOf(drawn + 180);
  const turned = aheadOf(other, now) < aheadOf(drawn, now) - FELT_MS;
  return { lyingDeg: turned ? other : drawn, turned, side: turned ? otherSide(berth.side!) : berth.side! };
};

/** How she is set across the way she lies: off the dock or onto it, or to one side. */
export const setOf = (hull: HullFigures, lyingDeg: number, side: Side | undefined, now: Conditions) => {
  const { windAcross, currentAcross } = components(lyingDeg, now);
  const drift = lyingDrift(windAcross, currentAcross, hull);
  const felt = Math.abs(drift) >= FELT_MS;
  const set = !felt
    ? ('none' as const)
    : side === undefined
      ? ('across' as const)
      : drift * signOf(side) > 0
        ? ('on' as const)
        : ('off' as const);
  return {
    drift,
    set,
    setTo: felt ? sideOf(drift) : undefined,
    setMs: Math.abs(drift),
    windward: sideOf(-(windAcross || currentAcross || 1)),
  };
};

const firstOf = (kind: Place['kind'], set: Arrival['set'], against: Arrival['against'], withHer: boolean): [LineName, Why] => {
  if (kind === 'bank') return ['midship', 'holdsHer'];
  if (kind === 'lockWall') return ['midship', 'round'];
  if (set === 'off') return ['midship', 'blowsOff'];
  if (withHer) return ['stern', 'runsOn'];
  return against === 'nothing' && set === 'on' ? ['midship', 'restsOn'] : ['bow', 'fallsOff'];
};
const THEN: Readonly<Record<'bow' | 'stern' | 'midship', readonly LineName[]>> = {
  bow: ['stern', 'bowSpring', 'sternSpring'],
  stern: ['bow', 'sternSpring', 'bowSpring'],
  midship: ['bow', 'stern'],
};

/** What the plan of each kind says beside its figures. */
type Said = { lines: [LineName, Why][]; fenders: Fenders; crew: Post[]; steps: Step[]; wayOut: Step };
type Found = {
  kind: Place['kind'];
  side: Side | undefined;
  set: Arrival['set'];
  setTo: Side | undefined;
  windward: Side;
  against: Arrival['against'];
  withHer: boolean;
  turned: boolean;
  crabDeg: number;
  angleDeg: number;
  startM: number;
  neutralM: number;
  reverseM: number;
  driftInM: number;
  aimOffM: number;
  engineOff: boolean;
  anchorM: number;
};

const say = (found: Found): Said => {
  const { kind, side, set, windward, against, crabDeg, angleDeg, startM, neutralM, reverseM, engineOff } = found;
  const away = side === undefined ? undefined : otherSide(side);
  const up: Step[] =
    Math.abs(crabDeg) >= 1 ? [{ id: 'pointUp', deg: Math.abs(crabDeg), side: sideOf(crabDeg) }] : [{ id: 'pointStraight' }];
  const wayOff: Step[] = [
    { id: 'neutral', m: neutralM },
    { id: 'reverse', m: reverseM },
  ];
  const start: Step = { id: 'from', m: startM };
  const upDrift: Step[] = found.aimOffM >= 0.1 ? [{ id: 'upDrift', m: found.aimOffM, side: windward }] : [{ id: 'middle' }];
  switch (kind) {
    case 'alongside':
    case 'bank': {
      const [first, why] = firstOf(kind, set, against, found.withHer);
      const lines: [LineName, Why][] =
        kind === 'bank'
          ? [
              [first, why],
              ['bow', 'fallsOff'],
              ['stern', 'noSurge'],
            ]
          : [[first, why], ...THEN[first as 'bow' | 'stern' | 'midship'].map((line): [LineName, Why] => [line, 'noSurge'])];
      return {
        lines,
        fenders: kind === 'bank' ? 'bowAndMiddle' : set === 'on' ? 'all' : 'bowAndMiddle',
        crew: [
          'driverHelm',
          kind === 'bank' ? 'lookoutBow' : first === 'stern' ? 'lineStern' : first === 'midship' ? 'lineMidship' : 'lineBow',
          'othersSeated',
        ],
        steps: [
          ...(found.turned ? [{ id: 'swungRound' as const, side: side! }] : []),
          { id: 'ready', side: side! },
          start,
          { id: set === 'off' ? 'steepAngle' : 'shallowAngle', deg: angleDeg },
          ...up,
          ...wayOff,
          ...(kind === 'bank'
            ? [{ id: 'bowIn' as const }, { id: 'holdMidship' as const }, { id: 'pins' as const }]
            : [{ id: 'first' as const, line: first, side: side! }, { id: 'then' as const }]),
        ],
        wayOut: { id: 'again', side: away! },
      };
    }
    case 'lockWall':
      return {
        lines: [
          ['bow', 'round'],
          ['stern', 'round'],
        ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lineBow', 'lineStern', 'othersSeated'],
        steps: [
          { id: 'ready', side: side! },
          { id: 'lockSlow', m: startM },
          ...up,
          ...wayOff,
          { id: 'roundHeld', side: side! },
          { id: 'lockNeutral' },
          { id: 'sill' },
        ],
        wayOut: { id: 'againAstern' },
      };
    case 'beach':
      return {
        lines: [
          ['windward', 'windwardFirst'],
          ['leeward', 'noSurge'],
        ],
        fenders: 'none',
        crew: ['driverHelm', 'bothLines', 'lookoutBow', 'othersSeated'],
        steps: [
          start,
          { id: 'squareOn' },
          ...up,
          ...(engineOff ? [{ id: 'engineOffEarly' as const, m: found.driftInM }] : [{ id: 'aheadToHold' as const }]),
          { id: 'linesAft', side: windward },
        ],
        wayOut: { id: 'againAstern' },
      };
    case 'crowdedDock':
      return {
        lines: [
          [windward === 'port' ? 'bowPort' : 'bowStarboard', 'windwardFirst'],
          [windward === 'port' ? 'bowStarboard' : 'bowPort', 'noSurge'],
          ['sternAnchor', 'holdsOff'],
        ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lineBow', 'lineStern', 'othersSeated'],
        steps: [
          start,
          ...up,
          { id: 'dropAnchor', m: found.anchorM },
          { id: 'payOut' },
          ...wayOff,
          { id: 'first', line: windward === 'port' ? 'bowPort' : 'bowStarboard' },
        ],
        wayOut: { id: 'againAstern' },
      };
    default:
      return {
        lines:
          kind === 'lift'
            ? []
            : [
                [windward === 'port' ? 'bowPort' : 'bowStarboard', 'windwardFirst'],
                ['stern', 'noSurge'],
                [windward === 'port' ? 'bowStarboard' : 'bowPort', 'noSurge'],
              ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lookoutBow', 'othersSeated'],
        steps: [
          { id: 'canopyDown' },
          { id: 'fromSlip', m: startM },
          ...up,
          ...upDrift,
          { id: 'straighten' },
          ...(kind === 'lift'
            ? [{ id: 'engineOffLeg' as const, m: found.driftInM }]
            : [...wayOff, { id: 'first' as const, line: windward === 'port' ? ('bowPort' as const) : ('bowStarboard' as const) }]),
        ],
        wayOut: { id: 'againAstern' },
      };
  }
};

export const planArrival = ({ hull, berth, now, limits, schools }: Task): Arrival | NoPlan => {
  const { kind } = berth;
  const { lyingDeg, turned, side } = wayRound(berth, now);
  const { drift: lyingSet, set, setTo, setMs, windward } = setOf(hull, lyingDeg, side, now);
  if (kind === 'crowdedDock') {
    // Held by the stern in wind or current boats capsize; some operators never allow it.
    if (schoolOf(schools, 'bowAnchoringOnly') === 'always') return { ok: false, answer: 'askIn', reason: 'sternAnchor' };
    if (now.windMs > STERN_ANCHOR.windMs || now.currentMs > STERN_ANCHOR.currentMs)
      return { ok: false, answer: 'wait', reason: 'sternAnchor', found: now.windMs, limit: STERN_ANCHOR.windMs };
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
  const engineOff = kind === 'lift' || (kind === 'beach' && schoolOf(schools, 'beach') === 'engineOffEarly');
  const against =
    aheadOf(lyingDeg, now) > -FELT_MS
      ? 'nothing'
      : Math.abs(components(lyingDeg, now).currentAlong) >= WIND_WORTH * Math.abs(components(lyingDeg, now).windAlong)
        ? 'current'
        : 'wind';
  const startM = Math.max(neutralM, engineOff ? driftInM : 0) + START_LENGTHS * hull.lengthM;
  const crabDeg = -crab / RAD;
  const anchorM = Math.max(ANCHOR_LENGTHS * hull.lengthM, neutralM + 1);
  const said = say({
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
