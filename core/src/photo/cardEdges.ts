import { axesOf, type Corners, cardFault, movedCorners, type Ray, type Spot } from './card';

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
/** Edges seen less well than this share of the best of their side are left out. */
const WELL = 0.3;
const MOST_EDGES = 4;
/** Relative error of corners by edges: what is farther from a card than a few of these is something else. */
const CORNER_ERROR = 0.006;
/** What it costs, in squared errors, to take an edge that is not seen at all for the best one. */
const FAINT_COSTS = 4;
/** Costs that differ by less than this do not tell. */
const AS_GOOD = 2;
/** Focal lengths of phones, in long sides of their pictures. */
const NEAREST_FOCAL = 0.55;
const FARTHEST_FOCAL = 2.2;

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

type Edge = Line & {
  /** How well it is seen, beside the best of its side. */
  share: number;
  /** How far into the card it lies, px. */
  inward: number;
};

/**
 * Straight edges that many of the side's places agree upon, the best seen first; steps up and steps down are not mixed.
 * @param inside the sign of the side's normal that points into the card
 */
const edgesOf = (picture: Grey, from: Spot, to: Spot, inside: number, reach: number): Edge[] => {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const along: Spot = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const normal: Spot = [-along[1], along[0]];
  const probes = Array.from({ length: PROBES }, (_, i) => {
    const share = FROM + ((1 - 2 * FROM) * i) / (PROBES - 1);
    return stepsAcross(picture, [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share], normal, reach);
  });
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
  // Every pair of a step in the first quarter and one in the last makes a line.
  const lines: { spots: Spot[]; weight: number; inward: number }[] = [];
  const ends = [probes.slice(0, PROBES / 4), probes.slice(-PROBES / 4)].map((some) => some.filter((_, i) => i % 3 === 0).flat());
  for (const a of ends[0]!)
    for (const b of ends[1]!) {
      if (Math.sign(a.step) !== Math.sign(b.step)) continue;
      const span = Math.hypot(b.spot[0] - a.spot[0], b.spot[1] - a.spot[1]);
      const these = near({ on: a.spot, along: [(b.spot[0] - a.spot[0]) / span, (b.spot[1] - a.spot[1]) / span] }, Math.sign(a.step));
      if (these.spots.length < AGREE * PROBES) continue;
      const inward = these.spots.reduce((sum, [x, y]) => sum + (x - from[0]) * normal[0] + (y - from[1]) * normal[1], 0);
      lines.push({ ...these, inward: (inside * inward) / these.spots.length });
    }
  lines.sort((a, b) => b.weight - a.weight);
  const apart: typeof lines = [];
  for (const line of lines)
    if (
      apart.length < MOST_EDGES &&
      line.weight >= WELL * lines[0]!.weight &&
      apart.every(({ inward }) => Math.abs(inward - line.inward) > 2 * OFF_PX)
    )
      apart.push(line);
  return apart.map(({ spots, weight, inward }) => ({ ...throughAll(spots), share: weight / lines[0]!.weight, inward }));
};

const meet = (a: Line, b: Line): Spot | undefined => {
  const turn = a.along[0] * b.along[1] - a.along[1] * b.along[0];
  if (Math.abs(turn) < 0.1) return undefined;
  const t = ((b.on[0] - a.on[0]) * b.along[1] - (b.on[1] - a.on[1]) * b.along[0]) / turn;
  return [a.on[0] + t * a.along[0], a.on[1] + t * a.along[1]];
};

/**
 * How far four corners are from what a camera sees of a card: sides at right angles and as long as a card's, by the one
 * focal length that suits them best (the two constraints of Zhang 2000 on a plane's homography, with square pixels and the
 * lens's axis in the middle of the picture). About the relative error of the corners.
 */
const notACard = (corners: Corners, { width, height }: Grey): number => {
  const [cx, cy] = [width / 2, height / 2];
  const [h1, h2] = axesOf(movedCorners(corners, ([x, y]) => [x - cx, y - cy]));
  let least = Infinity;
  for (let f = NEAREST_FOCAL; f <= FARTHEST_FOCAL; f *= 1.04) {
    const focal = f * Math.max(width, height);
    const [a, b] = [h1, h2].map(([x, y, z]) => [x / focal, y / focal, z] as const) as [Ray, Ray];
    const [la, lb] = [Math.hypot(...a), Math.hypot(...b)];
    const skew = (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / (la * lb);
    least = Math.min(least, Math.hypot(skew, Math.log(la / lb)));
  }
  return least;
};

/**
 * Corners of a card that a thumb set about right, put where the card's edges meet: each side's edge is looked for near the
 * line between its corners. Where several are seen, as of its shadow or its print, those are taken that together make a
 * card, and among these the inner ones: a card lies on what it casts a shadow on. The corner lies outside the rounded one.
 * @param picture from which brightness is taken @param corners px of it @param reach how far off the thumb may have been, px
 * @returns nothing where no straight edge is seen near one of the sides
 */
export const cornersByEdges = (picture: Grey, corners: Corners, reach: number): Corners | undefined => {
  const [a, b, c] = corners;
  const inside = Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
  const sides = corners.map((from, i) => edgesOf(picture, from, corners[(i + 1) % 4]!, inside, reach));
  const [top, right, bottom, left] = sides as [Edge[], Edge[], Edge[], Edge[]];
  const found: { corners: Corners; cost: number; inward: number }[] = [];
  for (const one of top)
    for (const two of right)
      for (const three of bottom)
        for (const four of left) {
          const lines = [one, two, three, four];
          const [a, b, c, d] = lines.map((line, i) => {
            const spot = meet(lines[(i + 3) % 4]!, line);
            return spot && Math.hypot(spot[0] - corners[i]![0], spot[1] - corners[i]![1]) <= 3 * reach ? spot : undefined;
          });
          if (!a || !b || !c || !d) continue;
          const four4: Corners = [a, b, c, d];
          if (cardFault(four4, 4)) continue;
          const faint = lines.reduce((sum, { share }) => sum + 1 - share, 0);
          found.push({
            corners: four4,
            cost: (notACard(four4, picture) / CORNER_ERROR) ** 2 + FAINT_COSTS * faint,
            inward: lines.reduce((sum, { inward }) => sum + inward, 0),
          });
        }
  const least = Math.min(...found.map(({ cost }) => cost));
  return found.filter(({ cost }) => cost <= least + AS_GOOD).sort((x, y) => y.inward - x.inward)[0]?.corners;
};
