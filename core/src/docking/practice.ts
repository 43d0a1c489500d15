import { contactOf } from './contact';
import { type Afloat, move, STEP_S } from './motion';
import type { Touch } from './names';
import { RAD } from './place';
import { type Goal, LIMIT_S, type World } from './tasks';

/**
 * A go at a task: what the hand does on the controls is a log, everything else follows from it. The same log gives the
 * same go, bit for bit; undo is a shorter log.
 */

/** Lever by its detents; the handle of wheel or tiller as it is pushed, to starboard positive; thruster pushes the bow to starboard. */
export type Hands = { lever: number; handle: number; thruster: number };
/** What the hands hold from a step on. */
export type Entry = Hands & { step: number };
export const DETENTS = [-1, -0.5, -0.2, 0, 0.2, 0.5, 1] as const;
export const IDLE: Hands = { lever: 0, handle: 0, thruster: 0 };

/** Fenders take it; it is felt; it costs something. m/s towards what is touched. */
const FIRM_MS = 0.25;
const HARD_MS = 0.45;
export const touchOf = (speedMs: number | undefined): Touch =>
  speedMs === undefined ? 'none' : speedMs >= HARD_MS ? 'hard' : speedMs >= FIRM_MS ? 'firm' : 'soft';

export type Go = {
  step: number;
  at: Afloat;
  /** Where the rudder or drive stands, −1 … 1, the bow to starboard positive. */
  rudder: number;
  /** Steps for which she has been where she is to be. */
  held: number;
  /** How fast she went into whatever she touched, at the hardest; bow, stern and side count alike. */
  hardestMs: number | undefined;
  /** On the bottom where she should not be. */
  aground: boolean;
  ended: 'done' | 'late' | 'hard' | undefined;
  seen: Seen;
};
/** What is kept for judging. */
export type Seen = {
  /** Fastest over ground within her length of the place, m/s. */
  nearMs: number;
  /** Steps with the helm hard over and neither way nor wash: it did nothing. */
  deadHelm: number;
  /** Steps with the lever astern and much helm: nothing steers astern, unless the drive does. */
  asternHelm: number;
  /** Before the place when way was first taken off, m. */
  slowedAtM: number | undefined;
  leverMoves: number;
};

/** A rudder goes hard over in this time by the wheel; a tiller is there at once. */
const WHEEL_S = 2;
/** Between steering and drifting, m/s. */
const WAY_MS = 0.25;

export const beginGo = (world: World): Go => ({
  step: 0,
  at: world.start,
  rudder: 0,
  held: 0,
  hardestMs: undefined,
  aground: false,
  ended: undefined,
  seen: { nearMs: 0, deadHelm: 0, asternHelm: 0, slowedAtM: undefined, leverMoves: 0 },
});

/** What the hands held at a step. The log is in order; looked for from its end. */
export const heldAt = (log: readonly Entry[], step: number): Hands => {
  for (let i = log.length - 1; i >= 0; i -= 1) if (log[i]!.step <= step) return log[i]!;
  return IDLE;
};

/** North and east, m/s. */
export const overGround = ({ weather: { current } }: World, at: Afloat): readonly [number, number] => {
  const [cos, sin] = [Math.cos(at.heading), Math.sin(at.heading)];
  return [at.surge * cos - at.sway * sin + current[0], at.surge * sin + at.sway * cos + current[1]];
};
export const speedOver = (world: World, at: Afloat): number => Math.hypot(...overGround(world, at));

const between = (a: number, b: number): number => Math.abs((((((a - b) / RAD + 180) % 360) + 360) % 360) - 180);

const isThere = (goal: Goal, world: World, at: Afloat, free: boolean): boolean => {
  if (goal.is === 'clear') return free && Math.hypot(at.x, at.y) >= goal.fromM;
  const [n, e] = goal.point;
  return (
    Math.hypot(at.x - n, at.y - e) <= goal.withinM &&
    between(at.heading, goal.headingDeg * RAD) <= goal.withinDeg &&
    speedOver(world, at) <= goal.slowerMs
  );
};

/** Whether the helm does anything: with way on, or in the wash of a propeller; a drive steers whenever it pushes. */
export const steersNow = ({ hull }: World, at: Afloat, hands: Hands): boolean =>
  Math.abs(at.surge) >= WAY_MS || hands.lever > 0 || (hull.steers === 'drive' && hands.lever !== 0);

const watch = (world: World, { seen, at, rudder }: Go, hands: Hands, before: Hands): Seen => {
  const goal = world.goal.is === 'lie' ? world.goal.point : ([0, 0] as const);
  const away = Math.hypot(at.x - goal[0], at.y - goal[1]);
  const fast = speedOver(world, at);
  const over = Math.abs(rudder) > 0.5;
  const steers = steersNow(world, at, hands);
  return {
    nearMs: away <= world.hull.lengthM ? Math.max(seen.nearMs, fast) : seen.nearMs,
    deadHelm: seen.deadHelm + (over && !steers ? 1 : 0),
    asternHelm: seen.asternHelm + (over && hands.lever < 0 && world.hull.steers === 'rudder' ? 1 : 0),
    slowedAtM: seen.slowedAtM ?? (hands.lever < 0 || (hands.lever === 0 && before.lever > 0) ? away : undefined),
    leverMoves: seen.leverMoves + (hands.lever === before.lever ? 0 : 1),
  };
};

/** One fixed step. @param log everything the hands have done, at least up to this step */
export const advance = (world: World, go: Go, log: readonly Entry[]): Go => {
  if (go.ended) return go;
  const { hull, body, around, weather } = world;
  const hands = heldAt(log, go.step);
  // Gear and throttle take their time.
  const { lever } = heldAt(log, go.step - Math.round(hull.delayS / STEP_S));
  const wanted = hull.tiller ? -hands.handle : hands.handle;
  const most = hull.tiller ? 2 : STEP_S * (1 / WHEEL_S);
  const rudder = go.rudder + Math.max(-most, Math.min(most, wanted - go.rudder));
  const { push, touched } = contactOf(around, body, go.at, weather.current);
  const at = move(body, go.at, { lever, steer: rudder, thruster: hands.thruster }, weather, STEP_S, push);
  const hits = touched.filter(({ is }) => is !== 'bottom');
  const hardestMs = hits.length > 0 ? Math.max(go.hardestMs ?? 0, ...hits.map(({ speedMs }) => speedMs)) : go.hardestMs;
  const step = go.step + 1;
  const there = isThere(world.goal, world, at, hits.length === 0);
  const held = there ? go.held + 1 : 0;
  const next: Go = {
    step,
    at,
    rudder,
    held,
    hardestMs,
    aground: go.aground || (world.task !== 'beach' && touched.some(({ is }) => is === 'bottom')),
    ended: held * STEP_S >= world.goal.holdS ? 'done' : step * STEP_S >= LIMIT_S ? 'late' : undefined,
    seen: go.seen,
  };
  return { ...next, seen: watch(world, next, hands, heldAt(log, go.step - 1)) };
};

/** Goes through a log from its beginning to a step, or to its end of the task. */
export const replay = (world: World, log: readonly Entry[], toStep: number): Go => {
  let go = beginGo(world);
  while (go.step < toStep && !go.ended) go = advance(world, go, log);
  return go;
};

/** The log up to a moment: what is practised on from there. */
export const cutLog = (log: readonly Entry[], step: number): Entry[] => log.filter((entry) => entry.step < step);

/** What is said afterwards. Words stand in the catalogue. */
export const WELL = ['soft', 'untouched', 'slow', 'inGoodTime', 'helmWithWay', 'fewMoves'] as const;
export const TRY = [
  'tooFast',
  'hardTouch',
  'firmTouch',
  'slowEarlier',
  'deadHelm',
  'asternHelm',
  'ranOut',
  'aground',
  'neverSlowed',
  'stayThere',
] as const;
export type Review = { passed: boolean; touch: Touch; seconds: number; well: (typeof WELL)[number][]; tryNext: (typeof TRY)[number][] };

const SLOW_MS = 0.8;
const DEAD_S = 4;
const FEW_MOVES = 12;

export const review = (world: World, { step, hardestMs, aground, ended, seen, held }: Go): Review => {
  const touch = touchOf(hardestMs);
  const passed = ended === 'done' && touch !== 'hard' && !aground;
  const lies = world.goal.is === 'lie';
  const well: Review['well'] = [];
  const tryNext: Review['tryNext'] = [];
  const fast = lies && seen.nearMs > SLOW_MS;
  if (touch === 'hard') tryNext.push('hardTouch');
  if (touch === 'firm') tryNext.push('firmTouch');
  if (fast) tryNext.push('tooFast', seen.slowedAtM === undefined ? 'neverSlowed' : 'slowEarlier');
  if (seen.deadHelm * STEP_S > DEAD_S) tryNext.push('deadHelm');
  if (seen.asternHelm * STEP_S > DEAD_S / 2) tryNext.push('asternHelm');
  if (aground) tryNext.push('aground');
  if (ended === 'late') tryNext.push(held > 0 ? 'stayThere' : 'ranOut');
  // Nobody wants to be praised for the minute in which the dock was hit.
  if (touch === 'soft') well.push('soft');
  if (passed) {
    if (touch === 'none') well.push('untouched');
    if (lies && !fast) well.push('slow');
    if (!tryNext.includes('deadHelm')) well.push('helmWithWay');
    if (step * STEP_S <= LIMIT_S / 2) well.push('inGoodTime');
    if (seen.leverMoves <= FEW_MOVES) well.push('fewMoves');
  }
  return { passed, touch, seconds: Math.round(step * STEP_S), well, tryNext };
};
