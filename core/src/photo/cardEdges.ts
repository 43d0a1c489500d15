import { type Corners, cardFault, type Spot } from './card';

/** Brightness of a photograph, row by row, 0 to 255. */
export type Grey = { width: number; height: number; grey: Float32Array };

/** Points along a side at which its edge is looked for; its rounded ends are left out. */
const PROBES = 64;
const FROM = 0.1;
/** Weaker steps than this are no edge of a card, brightness. */
const FAINT = 8;
/** How far a point may lie from the line that the others make, px. */
const OFF_PX = 1.5;
/** Fewer of them than this share, and the line is not believed. */
const AGREE = 0.4;
/** An edge of this share of the strongest one's weight is seen as well as that. */
const WELL = 0.85;

const valueAt = ({ width, height, grey }: Grey, [x, y]: Spot): number | undefined => {
  const [ix, iy] = [Math.floor(x), Math.floor(y)];
  if (ix < 0 || iy < 0 || ix >= width - 1 || iy >= height - 1) return undefined;
  const [fx, fy] = [x - ix, y - iy];
  const i = iy * width + ix;
  return (grey[i]! * (1 - fx) + grey[i + 1]! * fx) * (1 - fy) + (grey[i + width]! * (1 - fx) + grey[i + width + 1]! * fx) * fy;
};

type Found = { spot: Spot; step: number };

/** Every step of brightness across a side at one place of it: where it is steepest, to a fraction of a pixel. */
const stepsAcross = (picture: Grey, [x, y]: Spot, [nx, ny]: Spot, reach: number): Found[] => {
  const values: (number | undefined)[] = [];
  for (let at = -reach - 3; at <= reach + 3; at += 1) values.push(valueAt(picture, [x + at * nx, y + at * ny]));
  // A difference over three pixels on either side: grain averages out, an edge does not.
  const slope = (i: number): number => {
    const of = [-3, -2, -1, 1, 2, 3].map((d) => values[i + d]);
    if (of.some((v) => v === undefined)) return 0;
    return (of[3]! + of[4]! + of[5]! - of[0]! - of[1]! - of[2]!) / 3;
  };
  const slopes = values.map((_, i) => slope(i));
  return slopes.flatMap((here, i) => {
    const [before, after] = [Math.abs(slopes[i - 1] ?? 0), Math.abs(slopes[i + 1] ?? 0)];
    const size = Math.abs(here);
    if (size < FAINT || size < before || size <= after) return [];
    const bend = before - 2 * size + after;
    const off = bend === 0 ? 0 : (before - after) / (2 * bend);
    const at = i - reach - 3 + off;
    return [{ spot: [x + at * nx, y + at * ny] as const, step: here }];
  });
};

/** A line as a point and a direction. */
type Line = { on: Spot; along: Spot };

const offLine = ({ on, along }: Line, [x, y]: Spot): number => Math.abs((x - on[0]) * along[1] - (y - on[1]) * along[0]);

/** Total least squares through points. */
const throughAll = (spots: readonly Spot[]): Line => {
  const n = spots.length;
  const on: Spot = [spots.reduce((sum, [x]) => sum + x, 0) / n, spots.reduce((sum, [, y]) => sum + y, 0) / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of spots) {
    xx += (x - on[0]) ** 2;
    xy += (x - on[0]) * (y - on[1]);
    yy += (y - on[1]) ** 2;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return { on, along: [Math.cos(angle), Math.sin(angle)] };
};

/**
 * The straight edge that most of the side's places agree upon; steps up and steps down are not mixed.
 * @param inside the sign of the side's normal that points into the card
 */
const edgeOf = (picture: Grey, from: Spot, to: Spot, inside: number, reach: number): Line | undefined => {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const along: Spot = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const normal: Spot = [-along[1], along[0]];
  const probes = Array.from({ length: PROBES }, (_, i) => {
    const share = FROM + ((1 - 2 * FROM) * i) / (PROBES - 1);
    return stepsAcross(picture, [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share], normal, reach);
  });
  const lines: { spots: Spot[]; weight: number; inward: number }[] = [];
  const near = (line: Line, sign: number) => {
    const spots: Spot[] = [];
    let weight = 0;
    for (const found of probes) {
      const one = found
        .filter(({ spot, step }) => Math.sign(step) === sign && offLine(line, spot) <= OFF_PX)
        .sort((a, b) => Math.abs(b.step) - Math.abs(a.step))[0];
      if (one) {
        spots.push(one.spot);
        weight += Math.min(120, Math.abs(one.step));
      }
    }
    return { spots, weight };
  };
  // Every pair of a step in the first quarter and one in the last makes a line; the best supported is the edge.
  const ends = [probes.slice(0, PROBES / 4), probes.slice(-PROBES / 4)].map((some) => some.filter((_, i) => i % 3 === 0).flat());
  for (const a of ends[0]!)
    for (const b of ends[1]!) {
      if (Math.sign(a.step) !== Math.sign(b.step)) continue;
      const span = Math.hypot(b.spot[0] - a.spot[0], b.spot[1] - a.spot[1]);
      const line: Line = { on: a.spot, along: [(b.spot[0] - a.spot[0]) / span, (b.spot[1] - a.spot[1]) / span] };
      const these = near(line, Math.sign(a.step));
      if (these.spots.length >= AGREE * PROBES) {
        const inward = these.spots.reduce((sum, [x, y]) => sum + (x - from[0]) * normal[0] + (y - from[1]) * normal[1], 0);
        lines.push({ ...these, inward: (inside * inward) / these.spots.length });
      }
    }
  // A card lies on what it casts a shadow on: of two edges seen as well, the inner is its own.
  const least = WELL * Math.max(...lines.map(({ weight }) => weight));
  const own = lines.filter(({ weight }) => weight >= least).sort((a, b) => b.inward - a.inward)[0];
  const best = own && lines.filter(({ inward }) => Math.abs(inward - own.inward) <= OFF_PX).sort((a, b) => b.weight - a.weight)[0];
  return best && throughAll(best.spots);
};

const meet = (a: Line, b: Line): Spot | undefined => {
  const turn = a.along[0] * b.along[1] - a.along[1] * b.along[0];
  if (Math.abs(turn) < 0.1) return undefined;
  const t = ((b.on[0] - a.on[0]) * b.along[1] - (b.on[1] - a.on[1]) * b.along[0]) / turn;
  return [a.on[0] + t * a.along[0], a.on[1] + t * a.along[1]];
};

/**
 * Corners of a card that a thumb set about right, put where the card's edges meet: each side's edge is found near the line
 * between its corners, and neighbouring edges are brought to a point. That point lies outside the card's rounded corner.
 * @param picture from which brightness is taken @param corners px of it @param reach how far off the thumb may have been, px
 * @returns nothing where no straight edge is seen near one of the sides
 */
export const cornersByEdges = (picture: Grey, corners: Corners, reach: number): Corners | undefined => {
  const [a, b, c] = corners;
  const inside = Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
  const lines = corners.map((from, i) => edgeOf(picture, from, corners[(i + 1) % 4]!, inside, reach));
  const found = corners.map((_, i) => {
    const [before, after] = [lines[(i + 3) % 4], lines[i]];
    return before && after ? meet(before, after) : undefined;
  });
  if (found.some((spot, i) => !spot || Math.hypot(spot[0] - corners[i]![0], spot[1] - corners[i]![1]) > 3 * reach)) return undefined;
  const refined = found as unknown as Corners;
  return cardFault(refined, 4) ? undefined : refined;
};
