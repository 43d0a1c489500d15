import type { Spot, Stroke } from '@quay/core/fleet/drawing';

/** What a boat from above is put together of: hull forms, things aboard, mirrored and set to a grid. Metres, as in the plan. */

export type Tone = NonNullable<Stroke['tone']>;
export const TONES: readonly Tone[] = ['hull', 'deck', 'seat', 'dark', 'glass', 'line'];

export const HULL_FORMS = ['pointed', 'full', 'square', 'twoHulls', 'long'] as const;
export type HullForm = (typeof HULL_FORMS)[number];

/** Half of an outline from the stern to the bow: shares of the length, and of half the beam. */
const HALVES: Readonly<Record<Exclude<HullForm, 'twoHulls'>, readonly (readonly [along: number, aside: number])[]>> = {
  pointed: [
    [0, 0.86],
    [0.3, 1],
    [0.6, 0.94],
    [0.82, 0.62],
    [0.94, 0.26],
    [1, 0],
  ],
  full: [
    [0, 0.92],
    [0.2, 1],
    [0.72, 0.98],
    [0.9, 0.7],
    [0.98, 0.32],
    [1, 0],
  ],
  square: [
    [0, 1],
    [0.93, 1],
    [1, 0.86],
    [1, 0],
  ],
  long: [
    [0, 0.2],
    [0.04, 0.72],
    [0.1, 1],
    [0.9, 1],
    [0.97, 0.6],
    [1, 0],
  ],
};

const cm = (metres: number): number => Math.round(metres * 100) / 100 || 0;
const box = (at: Spot, size: Spot, tone: Tone): Stroke => ({
  draw: 'box',
  at: [cm(at[0]), cm(at[1])],
  size: [cm(size[0]), cm(size[1])],
  tone,
});

/** The outline of a hull of some length and beam, the same on both sides. */
export const hullOutline = (form: HullForm, lengthM: number, beamM: number): Stroke[] => {
  const half = beamM / 2;
  if (form === 'twoHulls') {
    const wide = beamM * 0.26;
    const tube = (y: number): Stroke => ({
      draw: 'path',
      closed: true,
      tone: 'hull',
      points: [
        [0, y],
        [lengthM * 0.9, y],
        [lengthM, y + wide / 2],
        [lengthM * 0.9, y + wide],
        [0, y + wide],
      ].map(([x, at]): Spot => [cm(x!), cm(at!)]),
    });
    return [tube(-half), tube(half - wide), box([lengthM * 0.04, -half * 0.92], [lengthM * 0.88, beamM * 0.92], 'deck')];
  }
  const side = HALVES[form].map(([along, aside]): Spot => [cm(along * lengthM), cm(aside * half)]);
  const other = side.filter(([, y]) => y !== 0).map(([x, y]): Spot => [x, -y]);
  return [{ draw: 'path', closed: true, tone: 'hull', points: [...side, ...other.reverse()] }];
};

/** Things aboard, each as it is usually drawn, metres. */
export const THINGS = ['seat', 'bench', 'console', 'gate', 'engine', 'tank', 'hatch', 'step', 'deck', 'window'] as const;
export type Thing = (typeof THINGS)[number];
const SIZES: Readonly<Record<Thing, readonly [along: number, across: number, tone: Tone]>> = {
  seat: [0.5, 0.5, 'seat'],
  bench: [1.4, 0.5, 'seat'],
  console: [0.5, 0.7, 'dark'],
  gate: [0.6, 0.12, 'dark'],
  engine: [0.5, 0.4, 'dark'],
  tank: [0.7, 0.5, 'line'],
  hatch: [0.5, 0.5, 'glass'],
  step: [0.3, 0.5, 'line'],
  deck: [2, 1.4, 'deck'],
  window: [0.1, 1, 'glass'],
};
/** A thing in the middle of a place; on a small boat it is not larger than half of her. */
export const thingAt = (thing: Thing, [x, y]: Spot, room: { lengthM: number; beamM: number }): Stroke => {
  const [along, across, tone] = SIZES[thing];
  const size: Spot = [Math.min(along, room.lengthM / 2), Math.min(across, room.beamM / 2)];
  return box([x - size[0] / 2, y - size[1] / 2], size, tone);
};

/** Nothing finer is drawn, in the unit of the drawing. */
export type Grid = number;
export const snapped = ([x, y]: Spot, grid: Grid): Spot => {
  const to = (v: number) => cm(Math.round(v / grid) * grid);
  return [to(x), to(y)];
};

/** A stroke moved. */
export const moved = (stroke: Stroke, [dx, dy]: Spot): Stroke => {
  const by = ([x, y]: Spot): Spot => [cm(x + dx), cm(y + dy)];
  return stroke.draw === 'path' ? { ...stroke, points: stroke.points.map(by) } : { ...stroke, at: by(stroke.at) };
};

/** The same on the other side of the middle line. */
export const mirrored = (stroke: Stroke): Stroke => {
  if (stroke.draw === 'path') return { ...stroke, points: stroke.points.map(([x, y]): Spot => [x, cm(-y)]) };
  if (stroke.draw === 'ring') return { ...stroke, at: [stroke.at[0], cm(-stroke.at[1])] };
  return { ...stroke, at: [stroke.at[0], cm(-(stroke.at[1] + stroke.size[1]))] };
};

const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.011;
const same = (a: Stroke, b: Stroke): boolean => {
  if (a.draw === 'path' && b.draw === 'path')
    return a.points.length === b.points.length && a.points.every(([x, y]) => b.points.some(([u, v]) => near(x, u) && near(y, v)));
  if (a.draw === 'box' && b.draw === 'box') return [0, 1].every((i) => near(a.at[i]!, b.at[i]!) && near(a.size[i]!, b.size[i]!));
  return a.draw === 'ring' && b.draw === 'ring' && near(a.at[0], b.at[0]) && near(a.at[1], b.at[1]) && near(a.radius, b.radius);
};
/** Whether it is the same on both sides by itself. */
export const isEven = (stroke: Stroke): boolean => same(stroke, mirrored(stroke));
/** Its like on the other side. @returns its place among the strokes, or nothing where it has none, or is even by itself */
export const twinOf = (strokes: readonly Stroke[], i: number): number | undefined => {
  const stroke = strokes[i]!;
  if (isEven(stroke)) return undefined;
  const twin = mirrored(stroke);
  const at = strokes.findIndex((other, j) => j !== i && other.tone === stroke.tone && same(other, twin));
  return at < 0 ? undefined : at;
};

/**
 * Strokes with one of them put another way; on both sides where it has its like there.
 * @param both whether the other side follows
 */
export const changed = (strokes: readonly Stroke[], i: number, next: Stroke, both: boolean): Stroke[] => {
  const twin = both ? twinOf(strokes, i) : undefined;
  return strokes.map((stroke, j) => (j === i ? next : j === twin ? mirrored(next) : stroke));
};

/** A path with one of its points somewhere else; the point across from it goes with it where the path is even. */
export const withPoint = (stroke: Extract<Stroke, { draw: 'path' }>, n: number, to: Spot, both: boolean): Stroke => {
  const [x, y] = stroke.points[n]!;
  const across = both && isEven(stroke) ? stroke.points.findIndex(([u, v], m) => m !== n && near(u, x) && near(v, -y)) : -1;
  const middle = both && isEven(stroke) && near(y, 0);
  return {
    ...stroke,
    points: stroke.points.map((point, m): Spot => (m === n ? [to[0], middle ? 0 : to[1]] : m === across ? [to[0], cm(-to[1])] : point)),
  };
};

/** A path with one more point, in the middle of its longest side. */
export const withMorePoints = (stroke: Extract<Stroke, { draw: 'path' }>): Stroke => {
  const { points, closed } = stroke;
  const sides = closed ? points.length : points.length - 1;
  const length = (i: number) => {
    const [[x, y], [u, v]] = [points[i]!, points[(i + 1) % points.length]!];
    return Math.hypot(u - x, v - y);
  };
  const longest = Array.from({ length: sides }, (_, i) => i).reduce((best, i) => (length(i) > length(best) ? i : best), 0);
  const [[x, y], [u, v]] = [points[longest]!, points[(longest + 1) % points.length]!];
  return { ...stroke, points: [...points.slice(0, longest + 1), [cm((x + u) / 2), cm((y + v) / 2)], ...points.slice(longest + 1)] };
};
