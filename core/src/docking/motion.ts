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
/** Rudder area as a share of length times draft; the propeller’s disc, and what of the rudder stands in its wash, m². */
const RUDDER_SHARE = 0.02;
const DISC_M2 = 0.15;
const IN_WASH_M2 = 0.06;
/**
 * A hull by herself turns across her own way (Munk’s moment); skeg, keel and the leg of a drive at her stern hold her on it,
 * and a little more than that: by how much.
 */
const COURSE_KEEPING = 1.15;
/** Where wind and thruster work, ahead of the middle, as shares of the length. */
const WIND_AHEAD = 0.04;
const THRUSTER_AHEAD = 0.4;

const walkOf = ({ walks }: HullFigures): number => (walks === 'port' ? -1 : walks === 'starboard' ? 1 : 0);

/** What rudder or drive push her stern aside with, hard over, the lever ahead at a share of its throttle, N; without way on. */
export const sideForceFullOver = (hull: HullFigures, lever: number): number => {
  const thrust = lever * hull.thrustAheadN;
  if (hull.steers === 'drive') return thrust * Math.sin(FULL_OVER);
  return IN_WASH * washOf(thrust) * Math.sin(FULL_OVER);
};
const IN_WASH = 0.5 * WATER * RUDDER_LIFT * IN_WASH_M2;
const rudderOf = ({ draftM, lengthM }: HullFigures): number => 0.5 * WATER * RUDDER_LIFT * RUDDER_SHARE * draftM * lengthM;
/** Square of the speed of a propeller’s wash, m²/s²: T = ½ρA·v². */
const washOf = (thrust: number): number => (2 * thrust) / (WATER * DISC_M2);

/** What of a hull is the same at every step. */
export type Body = {
  hull: HullFigures;
  /** Inertia with what the water adds: ahead, sideways, turning. */
  inertia: readonly [number, number, number];
  /** ½ρCA below the water and above it, and of turning. */
  across: number;
  turning: number;
  airSide: number;
  airEndOn: number;
  /** From the middle to the propeller and rudder, m. */
  arm: number;
  rudder: number;
  /** Side force of skeg and leg, N by m²/s² of her way times the stern’s way across. */
  skeg: number;
  walk: number;
};

export const bodyOf = (hull: HullFigures): Body => {
  const { massKg, lengthM, beamM, added } = hull;
  const across = 0.5 * WATER * hull.waterDrag * hull.lateralAreaM2;
  const airSide = 0.5 * AIR * hull.airDrag * hull.airAreaM2;
  return {
    hull,
    inertia: [
      massKg * (1 + added.surge),
      massKg * (1 + added.sway),
      ((massKg * (lengthM * lengthM + beamM * beamM)) / 12) * (1 + added.yaw),
    ],
    across,
    turning: across * lengthM ** 3 * YAW_SHARE,
    airSide,
    airEndOn: (airSide * beamM) / lengthM,
    arm: lengthM / 2,
    rudder: rudderOf(hull),
    skeg: (COURSE_KEEPING * massKg * (added.sway - added.surge)) / (lengthM / 2),
    walk: walkOf(hull) * WALK,
  };
};

/** Energy of the motion through the water, J: ½νᵀMν. */
export const energy = ({ inertia: [m1, m2, m3] }: Body, { surge, sway, turn }: Afloat): number =>
  0.5 * (m1 * surge * surge + m2 * sway * sway + m3 * turn * turn);

const derivative = (body: Body, at: Afloat, helm: Helm, { wind, current }: Weather, push: Push): Afloat => {
  const { hull, arm } = body;
  const { surge: u, sway: v, turn: r, heading } = at;
  const [m1, m2, m3] = body.inertia;
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  // Drag: along, across, turning; a little of it linear, so that she comes to rest.
  let X = -hull.dragK * Math.abs(u) * u;
  let Y = -body.across * Math.abs(v) * v;
  let N = -body.turning * Math.abs(r) * r - LINEAR * m3 * r;
  // Wind, by its speed past the hull over ground.
  const vx = u * cos - v * sin + current[0];
  const vy = u * sin + v * cos + current[1];
  const windAhead = (wind[0] - vx) * cos + (wind[1] - vy) * sin;
  const windAcross = -(wind[0] - vx) * sin + (wind[1] - vy) * cos;
  X += body.airEndOn * Math.sqrt(windAhead * windAhead + windAcross * windAcross) * windAhead;
  const windY = body.airSide * Math.abs(windAcross) * windAcross;
  Y += windY;
  // Bows blow off: the wind works a little ahead of the middle.
  N += windY * hull.lengthM * WIND_AHEAD;
  // What pushes and steers.
  const thrust = helm.lever >= 0 ? helm.lever * hull.thrustAheadN : helm.lever * hull.thrustAsternN;
  const angle = helm.steer * FULL_OVER;
  let side: number;
  if (hull.steers === 'drive') {
    X += thrust * Math.cos(angle);
    side = -thrust * Math.sin(angle);
  } else {
    X += thrust;
    // A rudder works in what flows past it: her way ahead, and the wash of a propeller that pushes ahead.
    const wash = helm.lever > 0 ? washOf(thrust) : 0;
    side = -((u > 0 ? body.rudder * u * u : 0) + IN_WASH * wash) * Math.sin(angle);
  }
  if (helm.lever < 0) side -= body.walk * thrust;
  // Always against the stern’s own way across: it takes from the motion and never gives.
  side -= body.skeg * Math.abs(u) * (v - arm * r);
  const thruster = helm.thruster * hull.thrusterN;
  Y += side + thruster + push[1];
  N += thruster * hull.lengthM * THRUSTER_AHEAD - side * arm + push[2];
  X += push[0];
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
export const move = (body: Body, at: Afloat, helm: Helm, weather: Weather, dt: number, push: Push = STILL): Afloat => {
  const a = derivative(body, at, helm, weather, push);
  const b = derivative(body, plus(at, a, dt / 2), helm, weather, push);
  const c = derivative(body, plus(at, b, dt / 2), helm, weather, push);
  const d = derivative(body, plus(at, c, dt), helm, weather, push);
  const sixth = dt / 6;
  return {
    x: at.x + (a.x + 2 * b.x + 2 * c.x + d.x) * sixth,
    y: at.y + (a.y + 2 * b.y + 2 * c.y + d.y) * sixth,
    heading: at.heading + (a.heading + 2 * b.heading + 2 * c.heading + d.heading) * sixth,
    surge: at.surge + (a.surge + 2 * b.surge + 2 * c.surge + d.surge) * sixth,
    sway: at.sway + (a.sway + 2 * b.sway + 2 * c.sway + d.sway) * sixth,
    turn: at.turn + (a.turn + 2 * b.turn + 2 * c.turn + d.turn) * sixth,
  };
};

/** The time step that everything is practised with, s. */
export const STEP_S = 1 / 30;
