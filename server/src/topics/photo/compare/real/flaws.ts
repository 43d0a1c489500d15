import type { Chance } from '@quay/core/number/chance';
import type { Box, Raster } from '../madeUp/paint';
import { line, patch, type Point, type Shape, shapeOf, wander } from './shapes';

/** Flaws as material and light make them, laid into a photograph of a surface. */

export const FLAWS = ['scratch', 'chip', 'dent', 'crack', 'stain', 'tear', 'missing'] as const;
export type FlawKind = (typeof FLAWS)[number];

/** How the ground is about a flaw, by the standard deviation of brightness there. */
export const GROUNDS = ['even', 'rough', 'busy'] as const;
export type Ground = (typeof GROUNDS)[number];
const ROUGH = 9;
const BUSY = 24;

/** A flaw that lies in a surface; `id` stands in {@link Laid.ids} wherever it changed what is seen. */
export type Laid = { kind: FlawKind; ground: Ground; id: number; box: Box };

/** What a flaw makes of what was there: the brightness it adds, and what is mixed in. */
type Material = {
  /** Mixed in where the flaw is, and how much of it. */
  colour: readonly [number, number, number];
  covers: number;
  /** Multiplies instead, like something wet or dirty. */
  tints?: readonly [number, number, number];
  /** Light on one rim and shade on the other, so strong and so far apart, px. */
  relief: number;
  reach: number;
  grain: number;
  /** A rim darker than the middle, as something dries. */
  ring?: number;
};

const luma = (data: Uint8Array, p: number): number => 0.299 * data[p]! + 0.587 * data[p + 1]! + 0.114 * data[p + 2]!;

/** Mean and standard deviation of brightness about a place, and its colour. */
const groundAt = ({ width, height, data }: Raster, { x, y, width: w, height: h }: Box) => {
  const by = 18;
  let [n, sum, squares] = [0, 0, 0];
  const colour: [number, number, number] = [0, 0, 0];
  for (let py = Math.max(0, Math.floor(y - by)); py < Math.min(height, y + h + by); py += 2)
    for (let px = Math.max(0, Math.floor(x - by)); px < Math.min(width, x + w + by); px += 2, n += 1) {
      const p = (py * width + px) * 3;
      const v = luma(data, p);
      sum += v;
      squares += v * v;
      for (const k of [0, 1, 2] as const) colour[k] += data[p + k]!;
    }
  const mean = sum / n;
  return { mean, spread: Math.sqrt(Math.max(0, squares / n - mean * mean)), colour: colour.map((v) => v / n) as [number, number, number] };
};

/** What lies under the paint: lighter or darker than it by enough to be seen. */
const under = (c: Chance, mean: number, by: number): [number, number, number] => {
  const lighter = mean < 90 ? true : mean > 175 ? false : c.next() < 0.5;
  const v = Math.max(6, Math.min(250, mean + (lighter ? by : -by)));
  const tint = c.pick([
    [1, 1, 1],
    [1.08, 0.98, 0.86],
    [0.94, 1, 1.06],
    [1.12, 0.94, 0.84],
  ] as const);
  return tint.map((t) => Math.min(255, v * t)) as [number, number, number];
};

/** From where the light comes, on this surface, for all that stands out of it or lies in it. */
type Light = Point;

/** Puts a shape into the surface. */
const lay = (c: Chance, into: Uint8Array, width: number, shape: Shape, of: Material, [lx, ly]: Light): void => {
  const { mask } = shape;
  const at = (x: number, y: number) => {
    const [ix, iy] = [Math.round(x), Math.round(y)];
    return ix < 0 || iy < 0 || ix >= shape.width || iy >= shape.height ? 0 : mask[iy * shape.width + ix]!;
  };
  for (let y = 0, i = 0; y < shape.height; y += 1)
    for (let x = 0; x < shape.width; x += 1, i += 1) {
      const m = mask[i]!;
      const rim = of.relief === 0 ? 0 : of.relief * (at(x + lx * of.reach, y + ly * of.reach) - at(x - lx * of.reach, y - ly * of.reach));
      if (m === 0 && rim === 0) continue;
      const p = ((shape.y + y) * width + shape.x + x) * 3;
      const grain = m > 0 ? of.grain * c.normal() : 0;
      const ring = 1 - (of.ring ?? 0) * 4 * m * (1 - m);
      for (const k of [0, 1, 2] as const) {
        const before = into[p + k]!;
        const mixed = of.tints ? before * (1 + (of.tints[k] - 1) * m) * ring : before + (of.colour[k] - before) * m * of.covers;
        into[p + k] = Math.max(0, Math.min(255, Math.round(mixed + rim + grain * m)));
      }
    }
};

/** A dent moves what is seen in it and shades its two sides. */
const dent = (c: Chance, from: Uint8Array, into: Uint8Array, width: number, [x, y]: Point, r: number, [lx, ly]: Light): Shape => {
  const [depth, squash] = [c.within(0.28, 0.62) * (c.next() < 0.8 ? 1 : -1), c.within(0.6, 1)];
  const shape = shapeOf({ x: x - 2 * r, y: y - 2 * r * squash, width: 4 * r, height: 4 * r * squash }, (px, py) =>
    Math.exp(-(((px - x) / r) ** 2 + ((py - y) / (r * squash)) ** 2) * 1.6),
  );
  for (let py = 0, i = 0; py < shape.height; py += 1)
    for (let px = 0; px < shape.width; px += 1, i += 1) {
      const m = shape.mask[i]!;
      if (m < 0.02) continue;
      const [dx, dy] = [(shape.x + px - x) / r, (shape.y + py - y) / r];
      const slope = 3.2 * m * (dx * lx + dy * ly);
      const [sx, sy] = [Math.round(shape.x + px + 5 * m * dx), Math.round(shape.y + py + 5 * m * dy)];
      const [p, q] = [((shape.y + py) * width + shape.x + px) * 3, (sy * width + sx) * 3];
      for (const k of [0, 1, 2]) into[p + k] = Math.max(0, Math.min(255, Math.round(from[q + k]! * Math.exp(depth * slope))));
    }
  return shape;
};

const draw = (c: Chance, kind: FlawKind, from: Raster, into: Uint8Array, place: Point, light: Light): Shape => {
  const { width } = from;
  const { mean, colour } = groundAt(from, { x: place[0] - 20, y: place[1] - 20, width: 40, height: 40 });
  const put = (shape: Shape, of: Material): Shape => {
    lay(c, into, width, shape, of, light);
    return shape;
  };
  switch (kind) {
    case 'scratch': {
      const w = c.within(2.6, 7.5);
      const points = wander(c, place, c.within(36, 190), c.next() * 2 * Math.PI, 7, 0.13);
      return put(
        line(points, (t) => w * (0.55 + 0.45 * Math.sin(Math.PI * Math.min(1, 0.12 + t * 0.95)))),
        {
          ...{ colour: under(c, mean, c.within(45, 120)), covers: c.within(0.55, 0.95) },
          ...{ relief: c.within(12, 45), reach: w * 0.4 + 1, grain: 5 },
        },
      );
    }
    case 'chip': {
      const r = c.within(7, 32);
      return put(patch(c, place, r, r * c.within(0.55, 1), 0.24, 1.4), {
        ...{ colour: under(c, mean, c.within(40, 120)), covers: c.within(0.8, 1) },
        ...{ relief: c.within(12, 50), reach: 2, grain: c.within(2, 9) },
      });
    }
    case 'dent':
      return dent(c, from.data, into, width, place, c.within(16, 42), light);
    case 'crack': {
      const [length, turn, w] = [c.within(50, 200), c.next() * 2 * Math.PI, c.within(1.8, 4)];
      const dark = Math.max(4, mean - c.within(70, 130));
      const of: Material = {
        ...{ colour: [dark, dark * 0.97, dark * 0.92], covers: c.within(0.75, 0.97) },
        ...{ relief: c.within(6, 22), reach: w * 0.6 + 1, grain: 3 },
      };
      const trunk = wander(c, place, length, turn, 11, 0.34);
      const whole = put(
        line(trunk, (t) => w * (1 - 0.5 * t)),
        of,
      );
      const fork = trunk[4 + Math.floor(c.next() * 4)]!;
      const branch = wander(c, fork, length * 0.4, turn + c.pick([-0.8, 0.8]), 6, 0.3);
      const [ox, oy] = [fork[0] - branch[0]![0], fork[1] - branch[0]![1]];
      put(
        line(
          branch.map(([x, y]) => [x + ox, y + oy] as const),
          (t) => w * 0.7 * (1 - 0.6 * t),
        ),
        of,
      );
      return whole;
    }
    case 'stain': {
      const [r, dark] = [c.within(13, 46), c.within(0.42, 0.74)];
      const tint = c.pick([
        [1, 0.93, 0.78],
        [0.9, 0.98, 0.9],
        [1, 1, 1],
        [1.1, 0.9, 0.78],
      ] as const);
      return put(patch(c, place, r, r * c.within(0.5, 1), 0.2, c.within(2, 7)), {
        ...{ colour, covers: 0, tints: tint.map((t) => t * dark) as [number, number, number], ring: c.within(0, 0.14) },
        ...{ relief: 0, reach: 1, grain: 1 },
      });
    }
    case 'tear': {
      const [length, w] = [c.within(45, 150), c.within(5, 13)];
      const dark = c.within(8, 42);
      return put(
        line(wander(c, place, length, c.next() * 2 * Math.PI, 8, 0.16), (t) => Math.max(0.6, w * Math.sin(Math.PI * t))),
        {
          ...{ colour: [dark, dark, dark], covers: 0.94 },
          ...{ relief: c.within(35, 80), reach: w * 0.45 + 1.5, grain: 4 },
        },
      );
    }
    case 'missing': {
      const r = c.within(12, 34);
      const behind = c.next() < 0.6 ? Math.max(6, mean * c.within(0.15, 0.4)) : Math.min(240, mean + c.within(50, 110));
      return put(patch(c, place, r, r * c.within(0.4, 1), 0.12, 1), {
        ...{ colour: [behind, behind * 0.98, behind * 0.95], covers: 1 },
        ...{ relief: c.within(25, 70), reach: 3, grain: c.within(3, 12) },
      });
    }
  }
};

/** Brightness by which a place has to change for somebody to see that it did, and a flaw on the whole: more where there is much else. */
const SEEN = 8;
const LEAST_CHANGE: Record<FlawKind, number> = { scratch: 20, chip: 20, dent: 12, crack: 22, stain: 17, tear: 26, missing: 24 };
const OF_SPREAD = 0.6;
/** A flaw has so much of what can be seen at least, px², and lies so far from the next and from the edge, px. */
const LEAST_SEEN = 36;
const APART = 150;
const EDGE = 190;

/**
 * Lays flaws into a copy of a surface: anywhere, on rough ground and beside letters too, but only such as a person would see.
 * @returns the surface with them, which place belongs to which, and what they are
 */
export const layFlaws = (c: Chance, surface: Raster, count: number): { surface: Raster; ids: Uint8Array; flaws: Laid[] } => {
  const { width, height } = surface;
  const data = Buffer.from(surface.data);
  const ids = new Uint8Array(width * height);
  const turn = c.within(-2.4, -0.7);
  const light: Light = [Math.cos(turn), Math.sin(turn)];
  const flaws: Laid[] = [];
  for (let tries = 0; flaws.length < count && tries < 60 * count; tries += 1) {
    const place: Point = [c.within(EDGE, width - EDGE), c.within(EDGE, height - EDGE)];
    if (flaws.some(({ box }) => Math.hypot(box.x + box.width / 2 - place[0], box.y + box.height / 2 - place[1]) < APART)) continue;
    const kind = c.pick(FLAWS);
    const tried = Buffer.from(data);
    draw(c, kind, surface, tried, place, light);
    // What changed is known by looking, whatever drew it.
    const reach = 150;
    const [left, top] = [Math.max(0, Math.floor(place[0] - reach)), Math.max(0, Math.floor(place[1] - reach))];
    let [n, sum, x0, y0, x1, y1] = [0, 0, width, height, 0, 0];
    const id = flaws.length + 1;
    const changed: number[] = [];
    for (let y = top; y < Math.min(height, top + 2 * reach); y += 1)
      for (let x = left; x < Math.min(width, left + 2 * reach); x += 1) {
        const i = y * width + x;
        const by = Math.abs(luma(tried, i * 3) - luma(data, i * 3));
        if (by < SEEN) continue;
        changed.push(i);
        n += 1;
        sum += by;
        x0 = Math.min(x0, x);
        x1 = Math.max(x1, x);
        y0 = Math.min(y0, y);
        y1 = Math.max(y1, y);
      }
    if (n < LEAST_SEEN) continue;
    const box = { x: x0, y: y0, width: x1 - x0 + 1, height: y1 - y0 + 1 };
    const { spread } = groundAt(surface, box);
    if (sum / n < Math.max(LEAST_CHANGE[kind], OF_SPREAD * spread)) continue;
    tried.copy(data);
    for (const i of changed) ids[i] = id;
    flaws.push({ kind, ground: spread < ROUGH ? 'even' : spread < BUSY ? 'rough' : 'busy', id, box });
  }
  return { surface: { width, height, data }, ids, flaws };
};
