import { windForDrift } from './drift';
import type { HullFigures } from './hull';
import { bodyOf, type Afloat, type Body, type Weather } from './motion';
import { aroundOf, type Around } from './contact';
import { ahead, type Conditions, type Place, type Point, RAD, type Side, signOf, turnOf, widthOf } from './place';
import type { TaskName, WeatherChoice } from './names';
import { planFor } from './planFor';
import { type Scene, sceneOf } from './scene';

/** Six short tasks to be practised, each at a place made for it and for the boat. */

/** What has to be done: to be somewhere, pointing so, slowly, for so long. */
export type Goal =
  | { is: 'lie'; point: Point; headingDeg: number; withinM: number; withinDeg: number; slowerMs: number; holdS: number }
  | { is: 'clear'; fromM: number; holdS: number };

/** Every task is over after this, s. */
export const LIMIT_S = 120;

const CALM: Conditions = { windFromDeg: 0, windMs: 0, currentToDeg: 0, currentMs: 0, waterM: 0 };
/** Wind by where it comes from and by how fast it sets her left lying: what is a breeze to one hull is nothing to another. */
type Blows = { fromDeg: number; setsMs: number };
type Runs = { toDeg: number; ms: number };
type Air = { wind?: Blows; current?: Runs };
type Made = { berth: Place & { headingDeg: number }; task: Air; turned: Air };
const MADE: Readonly<Record<TaskName, Made>> = {
  leave: {
    berth: { kind: 'alongside', headingDeg: 0, side: 'starboard' },
    task: { wind: { fromDeg: 0, setsMs: 0.12 } },
    turned: { wind: { fromDeg: 270, setsMs: 0.12 } },
  },
  alongside: {
    berth: { kind: 'alongside', headingDeg: 0, side: 'starboard' },
    task: { wind: { fromDeg: 90, setsMs: 0.17 } },
    turned: { wind: { fromDeg: 270, setsMs: 0.4 } },
  },
  slip: {
    berth: { kind: 'slip', headingDeg: 0 },
    task: { current: { toDeg: 90, ms: 0.12 } },
    turned: { current: { toDeg: 270, ms: 0.2 } },
  },
  stop: {
    berth: { kind: 'slip', headingDeg: 0 },
    task: {},
    turned: { wind: { fromDeg: 180, setsMs: 0.3 }, current: { toDeg: 0, ms: 0.2 } },
  },
  beach: {
    berth: { kind: 'beach', headingDeg: 0 },
    task: { wind: { fromDeg: 60, setsMs: 0.1 } },
    turned: { wind: { fromDeg: 300, setsMs: 0.2 } },
  },
  lock: {
    berth: { kind: 'lockWall', headingDeg: 0, side: 'starboard' },
    task: { wind: { fromDeg: 270, setsMs: 0.05 } },
    turned: { wind: { fromDeg: 90, setsMs: 0.2 } },
  },
};

/** A task set up for a hull: everything its physics and its judging need. */
export type World = {
  task: TaskName;
  berth: Place & { headingDeg: number };
  side: Side | undefined;
  hull: HullFigures;
  body: Body;
  scene: Scene;
  around: Around;
  conditions: Conditions;
  weather: Weather;
  start: Afloat;
  goal: Goal;
};

const velocity = (toDeg: number, ms: number): readonly [number, number] => [ms * Math.cos(toDeg * RAD), ms * Math.sin(toDeg * RAD)];
const weatherOf = ({ windFromDeg, windMs, currentToDeg, currentMs }: Conditions): Weather => ({
  wind: velocity(windFromDeg + 180, windMs),
  current: velocity(currentToDeg, currentMs),
});

/** @param now at the quay */
const conditionsFor = (task: TaskName, choice: WeatherChoice, hull: HullFigures, now: Conditions | undefined): Conditions => {
  if (choice === 'now' && now) return now;
  const { wind, current } = choice === 'task' || choice === 'turned' ? MADE[task][choice] : {};
  return {
    ...CALM,
    ...(wind ? { windFromDeg: wind.fromDeg, windMs: windForDrift(wind.setsMs, hull) } : {}),
    ...(current ? { currentToDeg: current.toDeg, currentMs: current.ms } : {}),
  };
};

/** How she moves when the task begins: through the water, so that she goes so fast over ground along a course. */
const begun = (point: Point, headingDeg: number, courseDeg: number, overGroundMs: number, { current }: Weather): Afloat => {
  const [north, east] = velocity(courseDeg, overGroundMs);
  const [n, e] = [north - current[0], east - current[1]];
  const heading = headingDeg * RAD;
  return {
    x: point[0],
    y: point[1],
    heading,
    surge: n * Math.cos(heading) + e * Math.sin(heading),
    sway: -n * Math.sin(heading) + e * Math.cos(heading),
    turn: 0,
  };
};

/** @param now wind and water at the quay, for whoever practises in them */
export const worldOf = (task: TaskName, hull: HullFigures, choice: WeatherChoice = 'task', now?: Conditions): World => {
  const { berth } = MADE[task];
  const conditions = conditionsFor(task, choice, hull, now);
  const weather = weatherOf(conditions);
  const body = bodyOf(hull);
  const side = berth.side;
  const L = hull.lengthM;
  const lyingDeg = berth.headingDeg;
  const scene = sceneOf(berth, hull, false, side);
  const at = (aheadM: number, starboardM = 0): Point => ahead([0, 0], lyingDeg, aheadM, starboardM);
  const lie = (point: Point, withinM: number, withinDeg: number, slowerMs: number, holdS: number): Goal => ({
    is: 'lie',
    point,
    headingDeg: lyingDeg,
    withinM,
    withinDeg,
    slowerMs,
    holdS,
  });
  const shared = { task, berth, side, hull, body, conditions, weather };
  const given = (start: Afloat, goal: Goal, of: Scene = scene): World => ({
    ...shared,
    scene: of,
    around: aroundOf(of, body),
    start,
    goal,
  });
  switch (task) {
    case 'leave':
      return given({ ...begun([0, 0], lyingDeg, lyingDeg, 0, weather), surge: 0, sway: 0 }, { is: 'clear', fromM: 1.2 * L, holdS: 2 });
    case 'alongside': {
      // Where the plan for this wind begins, and on its heading; straight along the dock where it has none.
      const plan = planFor('arrive', { hull, berth, now: conditions });
      const along = plan.ok && plan.act === 'arrive' && !plan.turned ? plan : undefined;
      const courseDeg = along?.courseDeg ?? turnOf(lyingDeg + 20 * signOf(side!));
      return given(
        begun(ahead([0, 0], courseDeg, -3 * L), along?.headingDeg ?? courseDeg, courseDeg, 0.7, weather),
        // Near enough, for long enough, that a hand gets the line ashore: nobody holds her against the wind by engine alone.
        lie([0, 0], 2, 50, 0.35, 1),
      );
    }
    case 'slip':
      return given(begun(at(-2.6 * L), lyingDeg, lyingDeg, 0.7, weather), lie([0, 0], 0.9, 10, 0.2, 3));
    case 'stop': {
      // A dock right ahead: way off between one and three metres before it.
      const gap = 2;
      const stopAt = at(0);
      const across = Math.max(8, L);
      const dock: Scene = {
        lyingDeg,
        hard: [
          {
            is: 'dock',
            outline: [at(L / 2 + gap, -across), at(L / 2 + gap + 2.4, -across), at(L / 2 + gap + 2.4, across), at(L / 2 + gap, across)],
          },
        ],
      };
      return given(begun(at(-5 * L), lyingDeg, lyingDeg, 1.6, weather), lie(stopAt, 1.2, 40, 0.15, 2), dock);
    }
    case 'beach':
      return given(begun(at(-2.5 * L), lyingDeg, lyingDeg, 0.7, weather), lie([0, 0], 2, 25, 0.3, 12));
    default: {
      // In the middle between the walls, to the wall she is to lie at.
      const free = widthOf(berth, hull).widthM - hull.beamM;
      return given(begun(at(-2.8 * L, (-free / 2) * signOf(side!)), lyingDeg, lyingDeg, 0.6, weather), lie([0, 0], 1.8, 12, 0.2, 3));
    }
  }
};
