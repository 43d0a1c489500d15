import fc from 'fast-check';
import { HULL_KINDS, type HullKind, hullOf } from '../testing/hulls';
import type { HullFigures } from './hull';
import { STEP_S } from './motion';
import { advance, beginGo, cutLog, DETENTS, type Entry, type Go, IDLE, overGround, replay, review, touchOf } from './practice';
import { TASKS, type TaskName, WEATHERS } from './names';
import { LIMIT_S, type World, worldOf } from './tasks';

const boat = (kind: HullKind): HullFigures => hullOf(kind, { thrusterN: 300 });
const END = LIMIT_S / STEP_S;
const goOf = (world: World, log: readonly Entry[]): Go => replay(world, log, END);
const hold = (lever: number, handle = 0): Entry[] => [{ step: 0, lever, handle, thruster: 0 }];

/** A plain helmsman: points at a line that leads to the place, keeps a speed that falls with the distance. */
const steered = (world: World): Entry[] => {
  const log: Entry[] = [];
  let go = beginGo(world);
  const { goal, hull } = world;
  while (!go.ended && go.step < END) {
    const { at } = go;
    const aim = goal.is === 'lie' ? goal.point : ([3 * hull.lengthM, -3 * hull.beamM] as const);
    const [north, east] = [aim[0] - at.x, aim[1] - at.y];
    const left = Math.hypot(north, east);
    const straight = Math.atan2(aim[1] - world.start.y, aim[0] - world.start.x);
    const course = goal.is === 'clear' ? -0.18 : left > 0.4 * hull.lengthM ? straight : (goal.headingDeg * Math.PI) / 180;
    // Across the line she has to come back to, and how fast she is set.
    const across = -north * Math.sin(course) + east * Math.cos(course);
    const along = north * Math.cos(course) + east * Math.sin(course);
    const [vn, ve] = overGround(world, at);
    // Points as far up as it takes to go along the line over ground.
    const set = -vn * Math.sin(course) + ve * Math.cos(course) - Math.hypot(vn, ve) * Math.sin(at.heading - course);
    const crab = Math.asin(Math.max(-0.6, Math.min(0.6, -set / Math.max(0.3, at.surge))));
    const wanted = course + crab + Math.max(-0.5, Math.min(0.5, across * 0.2));
    const off = Math.atan2(Math.sin(wanted - at.heading), Math.cos(wanted - at.heading));
    const [c, s] = [Math.cos(at.heading), Math.sin(at.heading)];
    const over = at.surge + world.weather.current[0] * c + world.weather.current[1] * s;
    const pace = goal.is === 'lie' ? Math.sign(along) * Math.min(0.7, 0.12 * Math.abs(along) + (left > 1 ? 0.1 : 0)) : 0.6;
    // What the lever has been told already comes after its delay.
    const now = log.at(-1)?.lever ?? 0;
    const thrust = (one: number) => one * (one < 0 ? hull.thrustAsternN : hull.thrustAheadN);
    const soon = over + (thrust(now) / hull.massKg) * hull.delayS * 0.7;
    const want = ((pace - soon) * hull.massKg) / 3;
    const helm = Math.max(-1, Math.min(1, off * 2.5 - at.turn * 5));
    const nearest =
      Math.abs(pace - soon) < 0.06
        ? 0
        : DETENTS.reduce((best, one) => (Math.abs(thrust(one) - want) < Math.abs(thrust(best) - want) ? one : best));
    // A boat that runs on in neutral does not steer: a short push ahead.
    const lever = nearest === 0 && Math.abs(helm) > 0.35 && soon < pace + 0.25 && left > 1 ? 0.2 : nearest;
    const turn = helm * (lever < 0 && hull.steers === 'drive' ? -1 : 1);
    const handle = Math.round((hull.tiller ? -turn : turn) * 10) / 10;
    const thruster = left < hull.lengthM && Math.abs(off) > 0.08 ? Math.sign(off) : 0;
    const last = log.at(-1) ?? { ...IDLE, step: 0 };
    if (last.lever !== lever || last.handle !== handle || last.thruster !== thruster) log.push({ step: go.step, lever, handle, thruster });
    go = advance(world, go, log);
  }
  return log;
};

describe.each(HULL_KINDS)('a %s', (kind) => {
  const hull = boat(kind);

  it.each(TASKS)('can be brought through “%s” in its own weather by a plain helmsman', (task) => {
    const world = worldOf(task, hull);
    const go = goOf(world, steered(world));
    const found = review(world, go);
    expect({ task, kind, ended: go.ended, touch: found.touch, aground: go.aground }).toMatchObject({ ended: 'done', aground: false });
    expect(found.passed).toBe(true);
  });

  it('is the same go from the same log, bit for bit, wherever it was broken off and gone on with (property)', () => {
    const entry = fc.record({
      step: fc.integer({ min: 0, max: 900 }),
      lever: fc.constantFrom(...DETENTS),
      handle: fc.double({ min: -1, max: 1, noNaN: true }),
      thruster: fc.constantFrom(-1, 0, 1),
    });
    fc.assert(
      fc.property(
        fc.constantFrom(...TASKS),
        fc.constantFrom(...WEATHERS),
        fc.array(entry, { maxLength: 12 }),
        fc.integer({ min: 0, max: 900 }),
        (task, weather, raw, at) => {
          const log = [...raw].sort((a, b) => a.step - b.step);
          const world = worldOf(task, hull, weather);
          const whole = replay(world, log, 900);
          // Undone to a moment and gone on with in the same way.
          const undone = replay(world, cutLog(log, at), Math.min(at, whole.step));
          let on = undone;
          while (on.step < 900 && !on.ended) on = advance(world, on, log);
          expect(on).toEqual(whole);
          expect(Object.values(whole.at).every(Number.isFinite)).toBe(true);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('never gets through a wall, whatever is done', () => {
    for (const lever of [0.5, 1] as const) {
      const world = worldOf('stop', hull);
      const go = goOf(world, hold(lever));
      // The dock begins two metres before her bow as she is to stop.
      expect(go.at.x).toBeLessThan(2 + 0.8);
      expect(review(world, go)).toMatchObject({ passed: false, touch: 'hard' });
    }
  });
});

describe('a go', () => {
  const hull = boat('pontoon');

  it('touches softly by a script in no wind, and hard by the same script in the wind', () => {
    // A little helm to keep her to the dock, slow ahead for four seconds, then neutral.
    const script: Entry[] = [
      { step: 0, lever: 0.2, handle: 0, thruster: 0 },
      { step: 120, lever: 0, handle: 0, thruster: 0 },
    ];
    const touches = (['calm', 'turned'] as const).map((weather) =>
      review(worldOf('alongside', hull, weather), goOf(worldOf('alongside', hull, weather), script)),
    );
    expect(touches.map(({ touch }) => touch)).toEqual(['soft', 'hard']);
  });

  it('says what went well and what to try', () => {
    const world = worldOf('stop', hull);
    expect(review(world, goOf(world, hold(1))).tryNext).toEqual(expect.arrayContaining(['hardTouch', 'tooFast', 'neverSlowed', 'ranOut']));
    const slow = goOf(world, steered(world));
    expect(review(world, slow).well).toEqual(expect.arrayContaining(['untouched', 'slow']));
    const lazy = worldOf('leave', boat('canalBoat'), 'calm');
    expect(review(lazy, goOf(lazy, hold(0, 1))).tryNext).toContain('deadHelm');
    expect(review(lazy, goOf(lazy, hold(-0.5, 1))).tryNext).toContain('asternHelm');
  });

  it('a tiller works the other way round', () => {
    const wheel = boat('riverCruiser');
    const turn = (hull: HullFigures) => replay(worldOf('stop', hull, 'calm'), hold(0.5, 1), 90).at.heading;
    expect(turn(wheel)).toBeGreaterThan(0.02);
    expect(turn({ ...wheel, tiller: true })).toBeLessThan(-0.02);
  });

  it('goes aground where it is shallow, and on a beach is meant to', () => {
    const beach = worldOf('beach', hull, 'calm');
    const run = goOf(beach, hold(1));
    expect(run.aground).toBe(false);
    expect(run.at.x).toBeLessThan(4);
    expect(touchOf(run.hardestMs)).toBe('none');
  });

  it('has hands that take time: gear and throttle after their delay, a wheel in two seconds', () => {
    const world = worldOf('leave', hull, 'calm');
    const before = replay(world, hold(1), Math.round(hull.delayS / STEP_S) - 1);
    expect(before.at.surge).toBe(0);
    expect(replay(world, hold(1), Math.round(hull.delayS / STEP_S) + 5).at.surge).toBeGreaterThan(0);
    expect(replay(world, hold(0, 1), 30).rudder).toBeCloseTo(0.5, 6);
  });
});

it('every task is under two minutes', () => {
  for (const task of TASKS as readonly TaskName[]) {
    const world = worldOf(task, boat('launch'));
    const go = goOf(world, []);
    expect(go.step * STEP_S).toBeLessThanOrEqual(LIMIT_S);
  }
});
