import type { BerthKind, Point, Side } from './place';

/** What a plan says: which way, what to do in which order, which lines, who stands where; or why there is none. */

export type Act = 'arrive' | 'leave' | 'lie';
export type LineName =
  'bow' | 'stern' | 'midship' | 'bowSpring' | 'sternSpring' | 'windward' | 'leeward' | 'bowPort' | 'bowStarboard' | 'sternAnchor';
export type Why =
  'fallsOff' | 'runsOn' | 'blowsOff' | 'restsOn' | 'holdsHer' | 'swingsOut' | 'windwardFirst' | 'noSurge' | 'round' | 'holdsOff';
/** A line, in the order it goes out or comes in, with where it leads from and to. */
export type Line = { line: LineName; why: Why; from: Point; to: Point };

/** Words stand in the catalogue of each language; a step carries what they are filled with. SI units. */
export type Step = { id: StepId; m?: number; deg?: number; side?: Side; ms?: number; seconds?: number; line?: LineName };
export type StepId = (typeof STEPS)[number];
export const STEPS = [
  // Coming in
  'ready', 'from', 'fromSlip', 'pointUp', 'pointStraight', 'shallowAngle', 'steepAngle', 'neutral', 'reverse', 'first', 'then',
  'canopyDown', 'middle', 'upDrift', 'straighten', 'engineOffLeg', 'squareOn', 'engineOffEarly', 'aheadToHold', 'linesAft',
  'bowIn', 'holdMidship', 'pins', 'lockSlow', 'roundHeld', 'lockNeutral', 'sill', 'dropAnchor', 'payOut', 'swungRound',
  // Going round again
  'again', 'againAstern',
  // Leaving
  'engineOn', 'lookRound', 'letGoAll', 'driftOff', 'aheadStraight', 'bowOpens', 'sternOpens', 'springOut', 'asternClear', 'pushStern',
  'asternDeep', 'asternSlow', 'walks', 'keepStraight', 'windwardLast', 'weightAft', 'legHalf', 'noTurn', 'gatesOpen', 'holdInLock',
  'haulAnchor', 'engineStillHaul',
  // Lying
  'bowAndStern', 'springs', 'slack', 'nothingCatches', 'grounds', 'staysAfloat', 'fendersLow', 'pathFree', 'twoAft', 'checkBeach',
  'crossLines', 'raise', 'anchorSnug', 'checkHourly',
] as const; // prettier-ignore

export type Fenders = 'all' | 'bowAndMiddle' | 'bothSides' | 'none';
export const POSTS = [
  'driverHelm',
  'lookoutBow',
  'lineMidship',
  'lineBow',
  'lineStern',
  'lookoutStern',
  'bothLines',
  'othersSeated',
] as const;
export type Post = (typeof POSTS)[number];

export type WaypointAt = 'start' | 'neutral' | 'reverse' | 'place' | 'anchor' | 'clear';
export type Waypoint = { at: WaypointAt; point: Point; headingDeg: number };

type Shared = {
  ok: true;
  kind: BerthKind;
  /** The way she points lying there, degrees true; and whether that is the other way round than the berth is drawn. */
  lyingDeg: number;
  turned: boolean;
  /** The side of hers the dock is on; nothing where she lies with the bow to it. */
  side?: Side | undefined;
  /** Off the dock or onto it; across her way to one side; or not felt. */
  set: 'off' | 'on' | 'across' | 'none';
  setTo?: Side | undefined;
  setMs: number;
  path: Waypoint[];
  lines: Line[];
  fenders: Fenders;
  crew: Post[];
  steps: Step[];
};
export type Arrival = Shared & {
  act: 'arrive';
  /** What she comes up against, and so keeps steerage at the least way. */
  against: 'wind' | 'current' | 'nothing';
  /** Degrees true: the course made good on the last leg, and the heading to hold for it. */
  courseDeg: number;
  headingDeg: number;
  /** Through the water, m/s. */
  speedMs: number;
  /** Before the middle of the place, along the course over ground, m. */
  startM: number;
  neutralM: number;
  reverseM: number;
  /** Between course and dock, degrees. */
  angleDeg: number;
  /** Going round again. */
  wayOut: Step;
};
export type Departure = Shared & { act: 'leave' };
export type Lying = Shared & { act: 'lie'; /** Under her at lowest water, m. */ underKeelM?: number | undefined };
export type Plan = Arrival | Departure | Lying;

export type NoPlan = {
  ok: false;
  /** `askIn`: to be taken in by staff; `wait`: for less wind, more water; `elsewhere`: this is no place for it. */
  answer: 'askIn' | 'wait' | 'elsewhere';
  reason: 'wind' | 'setTooStrong' | 'narrow' | 'currentCarries' | 'shallow' | 'pinned' | 'sternAnchor' | 'lockIsNoBerth' | 'figure';
  /** Of what: the figure that is not there or cannot be. */
  figure?: 'headingDeg' | 'side' | undefined;
  /** What was found and what would do, in the reason’s unit (m/s, degrees, m). */
  found?: number | undefined;
  limit?: number | undefined;
};
