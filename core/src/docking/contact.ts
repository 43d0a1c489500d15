import type { Afloat, Body, Push } from './motion';
import { type Point, RAD } from './place';
import { BOW_DRAFT, OUTLINE, type Hard, type Scene } from './scene';

/**
 * What walls and the bottom push her back with: springs with a damper at the points of her outline that are inside
 * something, and at corners that are inside her. As stiff as the fixed step allows.
 */

/** Of a spring that carries her whole mass, rad/s; and its damping ratio. The ends of a hull feel a quarter of the mass. */
const SPRING = 6;
const DAMPING = 0.6;
const BOTTOM_SPRING = 2.5;
const FRICTION = 0.2;
/** Mud holds more than wood. */
const BOTTOM_FRICTION = 0.5;
/** Friction comes in softly below this, m/s. */
const CREEP_MS = 0.05;

/** A side of a convex outline: a point on it, and the way out. */
type Face = { at: Point; out: Point };
type Solid = { is: Hard['is']; outline: readonly Point[]; faces: readonly Face[]; middle: Point; reach: number };
/** A scene with what is worked out once. */
export type Around = {
  solids: readonly Solid[];
  shore: { at: Point; out: Point; slope: number } | undefined;
  /** Her outline in metres, and how far its points reach. */
  hull: readonly Point[];
  faces: readonly Face[];
  reach: number;
};

const facesOf = (outline: readonly Point[]): Face[] => {
  const next = (i: number): Point => outline[(i + 1) % outline.length]!;
  // Whichever way round it is drawn: its area says which.
  const way = outline.reduce((area, a, i) => area + a[0] * next(i)[1] - next(i)[0] * a[1], 0) > 0 ? 1 : -1;
  return outline.map((at, i): Face => {
    const [dx, dy] = [next(i)[0] - at[0], next(i)[1] - at[1]];
    const length = Math.hypot(dx, dy);
    return { at, out: [(way * dy) / length, (-way * dx) / length] };
  });
};

export const aroundOf = (scene: Scene, body: Body): Around => {
  const { lengthM, beamM } = body.hull;
  const hull = OUTLINE.map(([ahead, across]): Point => [ahead * lengthM, (across * beamM) / 2]);
  return {
    solids: scene.hard.map(({ is, outline }) => {
      const middle: Point = [
        outline.reduce((sum, [n]) => sum + n, 0) / outline.length,
        outline.reduce((sum, [, e]) => sum + e, 0) / outline.length,
      ];
      return {
        is,
        outline,
        faces: facesOf(outline),
        middle,
        reach: Math.max(...outline.map(([n, e]) => Math.hypot(n - middle[0], e - middle[1]))),
      };
    }),
    shore: scene.shore && {
      at: scene.shore.at,
      out: [Math.cos(scene.shore.outDeg * RAD), Math.sin(scene.shore.outDeg * RAD)],
      slope: scene.shore.slope,
    },
    hull,
    faces: facesOf(hull),
    reach: Math.hypot(lengthM, beamM) / 2,
  };
};

export type Touched = { is: Hard['is'] | 'bottom'; /** Towards what is touched, m/s over ground. */ speedMs: number };
export type Contact = { push: Push; touched: readonly Touched[] };
const NOTHING: Contact = { push: [0, 0, 0], touched: [] };

/** How deep a point is inside a convex outline and the way out of it; nothing when it is outside. */
const inside = (point: Point, faces: readonly Face[]): { depth: number; out: Point } | undefined => {
  let depth = Infinity;
  let nearest = faces[0]!;
  for (const face of faces) {
    const d = (face.at[0] - point[0]) * face.out[0] + (face.at[1] - point[1]) * face.out[1];
    if (d <= 0) return undefined;
    if (d < depth) [depth, nearest] = [d, face];
  }
  return { depth, out: nearest.out };
};

/** @param current where it runs to over ground, m/s */
export const contactOf = (around: Around, body: Body, at: Afloat, current: readonly [number, number]): Contact => {
  const near = around.solids.filter(
    ({ middle: [n, e], reach }) => Math.abs(n - at.x) < reach + around.reach && Math.abs(e - at.y) < reach + around.reach,
  );
  if (near.length === 0 && !around.shore) return NOTHING;
  const [cos, sin] = [Math.cos(at.heading), Math.sin(at.heading)];
  const toWorld = ([a, s]: Point): Point => [at.x + a * cos - s * sin, at.y + a * sin + s * cos];
  const toHull = ([n, e]: Point): Point => [(n - at.x) * cos + (e - at.y) * sin, -(n - at.x) * sin + (e - at.y) * cos];
  const turned = ([n, e]: Point): Point => [n * cos + e * sin, -n * sin + e * cos];
  // Over ground, along her and across.
  const [u, v] = [at.surge + current[0] * cos + current[1] * sin, at.sway - current[0] * sin + current[1] * cos];
  const mass = body.hull.massKg;
  let [X, Y, N] = [0, 0, 0];
  const touched: Touched[] = [];
  const press = (is: Touched['is'], where: Point, depth: number, out: Point, spring: number, friction: number) => {
    const [vx, vy] = [u - at.turn * where[1], v + at.turn * where[0]];
    const closing = -(vx * out[0] + vy * out[1]);
    const force = Math.max(0, mass * (spring * spring * depth + 2 * DAMPING * spring * closing));
    const along = vx * -out[1] + vy * out[0];
    const rub = (-friction * force * along) / (Math.abs(along) + CREEP_MS);
    const [fx, fy] = [force * out[0] - rub * out[1], force * out[1] + rub * out[0]];
    X += fx;
    Y += fy;
    N += where[0] * fy - where[1] * fx;
    touched.push({ is, speedMs: Math.max(0, closing) });
  };
  for (const solid of near) {
    for (const where of around.hull) {
      const hit = inside(toWorld(where), solid.faces);
      if (hit) press(solid.is, where, hit.depth, turned(hit.out), SPRING, FRICTION);
    }
    for (const corner of solid.outline) {
      const where = toHull(corner);
      const hit = inside(where, around.faces);
      // Out of her is the wrong way: she is pushed back.
      if (hit) press(solid.is, where, hit.depth, [-hit.out[0], -hit.out[1]], SPRING, FRICTION);
    }
  }
  const { shore } = around;
  if (shore) {
    const out = turned(shore.out);
    for (const where of around.hull) {
      const [n, e] = toWorld(where);
      const depth = shore.slope * ((n - shore.at[0]) * shore.out[0] + (e - shore.at[1]) * shore.out[1]);
      const draft = body.hull.draftM * (where[0] > 0.4 * body.hull.lengthM ? BOW_DRAFT : 1);
      // How far she has been run up the slope.
      if (depth < draft) press('bottom', where, (draft - depth) / shore.slope, out, BOTTOM_SPRING, BOTTOM_FRICTION);
    }
  }
  return touched.length === 0 ? NOTHING : { push: [X, Y, N], touched };
};

/** Water at a point, m; nothing where the bottom plays no part. */
export const depthAt = (around: Around, [n, e]: Point): number | undefined =>
  around.shore && around.shore.slope * ((n - around.shore.at[0]) * around.shore.out[0] + (e - around.shore.at[1]) * around.shore.out[1]);
