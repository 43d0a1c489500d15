import { AIR, WATER } from './drift';
import type { HullFigures } from './hull';

/**
 * A hull in surge, sway and yaw (after Fossen, Handbook of Marine Craft Hydrodynamics and Motion Control, ch. 6–7): mass
 * symmetric with added mass, Coriolis skew-symmetric, drag positive; everything that touches the water is computed by the
 * speed through it. x north, y east, heading from north to east, rad; ahead and to starboard positive.
 */
export type Afloat = {
  x: number;
  y: number;
  heading: number;
  /** Through the water: ahead, to starboard, m/s; turning to starboard, rad/s. */
  surge: number;
  sway: number;
  turn: number;
};
export type Weather = {
  /** Over ground, where it blows and runs to: north, east, m/s. */
  wind: readonly [number, number];
  current: readonly [number, number];
};
export type Helm = {
  /** −1 full astern … 1 full ahead. */
  lever: number;
  /** −1 … 1: the way the bow is to go, to starboard positive. A tiller is turned round before it comes here. */
  steer: number;
  /** −1 … 1: pushes the bow to starboard. */
  thruster: number;
};
/** Forces from outside the water, as walls and ropes give: ahead, to starboard, turning. */
export type Push = readonly [number, number, number];

/** Largest angle of a drive or rudder, rad. */
const FULL_OVER = 0.6;
const RUDDER_LIFT = 2.6;
/** Sideways push of the propeller astern, as a share of its thrust. */
const WALK = 0.12;
/** Turning drag, from the lateral area: the ends of the hull sweep fastest. */
const YAW_SHARE = 1 / 32;
const LINEAR = 0.05;

const walkOf = ({ walks }: HullFigures): number => (walks === 'port' ? -1 : walks === 'starboard' ? 1 : 0);

/** Inertia with what the water adds: ahead, sideways, turning. */
export const inertia = ({ massKg, lengthM, beamM, added }: HullFigures): readonly [number, number, number] => [
  massKg * (1 + added.surge),
  massKg * (1 + added.sway),
  ((massKg * (lengthM * lengthM + beamM * beamM)) / 12) * (1 + added.yaw),
];

/** Energy of the motion through the water, J: ½νᵀMν. */
export const energy = (hull: HullFigures, { surge, sway, turn }: Afloat): number => {
  const [m1, m2, m3] = inertia(hull);
  return 0.5 * (m1 * surge * surge + m2 * sway * sway + m3 * turn * turn);
};

const derivative = (hull: HullFigures, at: Afloat, helm: Helm, { wind, current }: Weather, push: Push): Afloat => {
  const { surge: u, sway: v, turn: r, heading } = at;
  const [m1, m2, m3] = inertia(hull);
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  // Drag: along, across, turning; a little of it linear, so that she comes to rest.
  const across = 0.5 * WATER * hull.waterDrag * hull.lateralAreaM2;
  const turning = across * hull.lengthM ** 3 * YAW_SHARE;
  let X = -hull.dragK * Math.abs(u) * u;
  let Y = -across * Math.abs(v) * v;
  let N = -turning * Math.abs(r) * r - LINEAR * m3 * r;
  // Wind, by its speed past the hull over ground.
  const [vx, vy] = [u * cos - v * sin + current[0], u * sin + v * cos + current[1]];
  const [wx, wy] = [wind[0] - vx, wind[1] - vy];
  const [windAhead, windAcross] = [wx * cos + wy * sin, -wx * sin + wy * cos];
  const speed = Math.hypot(windAhead, windAcross);
  const airSide = 0.5 * AIR * hull.airDrag * hull.airAreaM2;
  const endOn = hull.beamM / hull.lengthM;
  X += airSide * endOn * speed * windAhead;
  const windY = airSide * Math.abs(windAcross) * windAcross;
  Y += windY;
  // Bows blow off: the wind works a little ahead of the middle.
  N += windY * hull.lengthM * 0.04;
  // What pushes and steers.
  const thrust = helm.lever >= 0 ? helm.lever * hull.thrustAheadN : helm.lever * hull.thrustAsternN;
  const arm = hull.lengthM / 2;
  const angle = helm.steer * FULL_OVER;
  if (hull.steers === 'drive') {
    X += thrust * Math.cos(angle);
    const side = -thrust * Math.sin(angle);
    Y += side;
    N -= side * arm;
  } else {
    X += thrust;
    // A rudder works in what flows past it: her way ahead, and the wash of a propeller that pushes ahead.
    const wash = helm.lever > 0 ? (2 * thrust) / (WATER * 0.15) : 0;
    const flow = (u > 0 ? u * u : 0) + wash;
    const side = -0.5 * WATER * 0.04 * hull.draftM * hull.lengthM * 0.1 * RUDDER_LIFT * flow * Math.sin(angle);
    Y += side;
    N -= side * arm;
  }
  if (helm.lever < 0) {
    const side = walkOf(hull) * WALK * -thrust;
    Y += side;
    N -= side * arm;
  }
  Y += helm.thruster * hull.thrusterN;
  N += helm.thruster * hull.thrusterN * hull.lengthM * 0.4;
  X += push[0];
  Y += push[1];
  N += push[2];
  return {
    x: vx,
    y: vy,
    heading: r,
    // Coriolis, skew-symmetric: it turns the motion and takes nothing from it.
    surge: (X + m2 * v * r) / m1,
    sway: (Y - m1 * u * r) / m2,
    turn: (N - (m2 - m1) * u * v) / m3,
  };
};

const plus = (a: Afloat, d: Afloat, dt: number): Afloat => ({
  x: a.x + d.x * dt,
  y: a.y + d.y * dt,
  heading: a.heading + d.heading * dt,
  surge: a.surge + d.surge * dt,
  sway: a.sway + d.sway * dt,
  turn: a.turn + d.turn * dt,
});

const STILL: Push = [0, 0, 0];

/** One fixed step of time by Runge and Kutta’s fourth order. @param dt s */
export const move = (hull: HullFigures, at: Afloat, helm: Helm, weather: Weather, dt: number, push: Push = STILL): Afloat => {
  const a = derivative(hull, at, helm, weather, push);
  const b = derivative(hull, plus(at, a, dt / 2), helm, weather, push);
  const c = derivative(hull, plus(at, b, dt / 2), helm, weather, push);
  const d = derivative(hull, plus(at, c, dt), helm, weather, push);
  const mean = (field: keyof Afloat): number => (a[field] + 2 * b[field] + 2 * c[field] + d[field]) / 6;
  return {
    x: at.x + mean('x') * dt,
    y: at.y + mean('y') * dt,
    heading: at.heading + mean('heading') * dt,
    surge: at.surge + mean('surge') * dt,
    sway: at.sway + mean('sway') * dt,
    turn: at.turn + mean('turn') * dt,
  };
};

/** The time step that everything is practised with, s. */
export const STEP_S = 1 / 30;
