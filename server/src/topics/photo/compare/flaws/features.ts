import { aroundOf } from './around';
import { type Blob, ELSEWHERE, HERS, type Look } from './blobs';
import { movedAlike } from '../align/moved';
import { drawnOut } from './pieces';
import type { Cv } from '../vision';
import { Together } from '../picture';

/** What is measured of a difference before it is judged, in this order. */
export const FEATURES = [
  /** Its strongest place, as a multiple of the core; and on the whole. */
  'peak',
  'mean',
  /** Of it, what stands out of everything farther off as well. */
  'stands',
  /** Sizes, px: area (logarithm), longer side (logarithm), how flat or upright it lies (logarithm), how well it fills its box. */
  'area',
  'long',
  'flat',
  'fill',
  /** Shares of it: where she ends, near there, below what is known of her, its cut side. */
  'rim',
  'nearRim',
  'below',
  'cut',
  /** Beside what is around it: logarithm of how much lighter it became, and they; shares of them that became what it did, and that are restless. */
  'became',
  'around',
  'alike',
  'restless',
  /** How much it stands out now, and did before, as far as the same way; and how much the two differ. */
  'standsOut',
  'stoodOut',
  'change',
  /** How alike what it shows is to a place nearby in the other picture that it is gone from. */
  'moved',
  /** How much more of it than of its surroundings is blown out. */
  'blown',
  /** How much else differs within reach, as a multiple of what is usual. */
  'crowd',
  /** How much the first picture varies about it. */
  'busy',
  /** How much differs right beside it, as a multiple of its own mean. */
  'beside',
  /** How alike both pictures are about it. */
  'same',
  /** The level at which it hangs together. */
  'level',
  /** Where it is not known to be hers: how far off she is known, px (logarithm), and the greatest step of brightness on the way there. */
  'off',
  'fence',
  /** How alike the second picture is there to the first, whichever way that is laid over it; and by how much her surface alone explains it better. */
  'explained',
  'surface',
  /** How far places about it strayed from her surface, px of the coarse picture: something stands before her. */
  'strayed',
  /** How it lies: how many times as long as wide its places are spread (logarithm). */
  'drawn',
  /** Of its place: how light the first picture is there, and how much lighter it became. */
  'shade',
] as const;
export type Feature = (typeof FEATURES)[number];
export type Features = Record<Feature, number>;

const GLINT_PX = 23;
const BLOWN = 236;
const CROWD_PX = 40;

/** The largest share of one side of a difference that goes on beyond where she ends: a post, a line or the bank comes in there. */
const cutOf = ({ allowed, b: { cols, rows } }: Look, labels: Int32Array, { label, x0, x1, y0, y1 }: Blob): number => {
  const of = labels;
  const beyond = (x: number, y: number) => x < 0 || x >= cols || y < 0 || y >= rows || allowed[y * cols + x] === ELSEWHERE;
  /** Goes along one side, and into it until the difference begins. */
  const goesOn = (from: number, to: number, start: number, step: 1 | -1, at: (along: number, into: number) => [number, number]) => {
    let count = 0;
    for (let along = from; along <= to; along += 1)
      for (let into = start; ; into += step) {
        const [x, y] = at(along, into);
        if (x < x0 || x > x1 || y < y0 || y > y1) break;
        if (of[y * cols + x] !== label) continue;
        if (beyond(...at(along, into - 3 * step))) count += 1;
        break;
      }
    return count / (to - from + 1);
  };
  return Math.max(
    goesOn(x0, x1, y0, 1, (along, into) => [along, into]),
    goesOn(y0, y1, x0, 1, (along, into) => [into, along]),
    goesOn(y0, y1, x1, -1, (along, into) => [into, along]),
  );
};

/** How much more of a box than of what is about it is blown out, in the picture where that is the most. */
const blownOf = ({ b: { cols, rows, data }, lit }: Look, { x0, x1, y0, y1 }: Blob): number => {
  if (Math.max(x1 - x0, y1 - y0) >= 2 * GLINT_PX) return 0;
  const blown = (picture: Uint8Array, px: number): number => {
    let [count, of] = [0, 0];
    for (let y = Math.max(0, y0 - px); y <= Math.min(rows - 1, y1 + px); y += 1)
      for (let x = Math.max(0, x0 - px); x <= Math.min(cols - 1, x1 + px); x += 1, of += 1) if (picture[y * cols + x]! >= BLOWN) count += 1;
    return count / of;
  };
  return Math.max(...[data as Uint8Array, lit].map((picture) => blown(picture, 0) - blown(picture, GLINT_PX)));
};

/** Means of squares so far to each side of a place are compared on the way to what is hers, px; so often. */
const PATCH_PX = 3;
const STEP_PX = 8;

/** The way from a difference to what is known of her: how far, px, and the greatest step of brightness on it (logarithm). */
const wayOf = ({ b: { cols, rows, data }, allowed }: Look, { x0, x1, y0, y1, below, area }: Blob): { off: number; fence: number } => {
  if (below <= area / 2) return { off: 0, fence: 0 };
  const picture = data as Uint8Array;
  const patch = (x: number, y: number) => {
    let [sum, n] = [0, 0];
    for (let py = Math.max(0, y - PATCH_PX); py <= Math.min(rows - 1, y + PATCH_PX); py += 1)
      for (let px = Math.max(0, x - PATCH_PX); px <= Math.min(cols - 1, x + PATCH_PX); px += 1, n += 1) sum += picture[py * cols + px]!;
    return Math.log(sum / n + 10);
  };
  // Straight up, to either side, and between: whichever is the shortest way.
  let best: { off: number; fence: number } | undefined;
  for (const [dx, dy] of [
    [0, -1],
    [-1, 0],
    [1, 0],
    [-0.7, -0.7],
    [0.7, -0.7],
  ] as const) {
    let [x, y] = [dx < 0 ? x0 - 7 : dx > 0 ? x1 + 7 : (x0 + x1) / 2, dy < 0 ? y0 - 7 : (y0 + y1) / 2];
    let [before, fence, off]: [number | undefined, number, number] = [undefined, 0, 0];
    for (; off < 260; off += STEP_PX, x += dx * STEP_PX, y += dy * STEP_PX) {
      const [px, py] = [Math.round(x), Math.round(y)];
      if (px < 0 || py < 0 || px >= cols || py >= rows) break;
      const now = patch(px, py);
      if (before !== undefined) fence = Math.max(fence, Math.abs(now - before));
      before = now;
      // A little into what is hers: her edge may be where it is thought to be.
      if (allowed[py * cols + px] === HERS && allowed[Math.round(py - dy * 6) * cols + Math.round(px - dx * 6)] === HERS) {
        if (!best || off < best.off) best = { off, fence };
        break;
      }
    }
  }
  return best ?? { off: 260, fence: 1 };
};

/** How far about a difference it is looked at whether another way of laying one over the other explains it, px of the coarse picture. */
const ABOUT_PX = 6;
const NEAR_PX = 12;

const explainedOf = ({ coarse, strayed, b }: Look, { x0, x1, y0, y1 }: Blob): { explained: number; surface: number; strayed: number } => {
  const { width, back } = coarse;
  const scale = width / b.cols;
  const height = back.length / width;
  const within = (px: number, each: (i: number) => void) => {
    for (let y = Math.max(0, Math.floor(y0 * scale) - px); y <= Math.min(height - 1, Math.floor(y1 * scale) + px); y += 1)
      for (let x = Math.max(0, Math.floor(x0 * scale) - px); x <= Math.min(width - 1, Math.floor(x1 * scale) + px); x += 1)
        each(y * width + x);
  };
  const alike = (way: Uint8Array) => {
    const seen = new Together();
    within(ABOUT_PX, (i) => seen.add(way[i]!, back[i]!));
    return seen.alike;
  };
  const [surface, free, aligned] = [alike(coarse.surface), alike(coarse.free), alike(coarse.aligned)];
  let [sum, n] = [0, 0];
  within(NEAR_PX, (i) => {
    sum += strayed[i]!;
    n += 1;
  });
  return { explained: Math.max(surface, free, aligned), surface: surface - aligned, strayed: sum / n };
};

/** How far about a difference it is looked at how much the first picture varies, how much differs, and how alike both are, px. */
const BUSY_PX = 12;
const ALIKE_PX = 24;
/** Its soft edge, and what lies right beside it, px. */
const SOFT_PX = 2;
const BESIDE_PX = 5;

type About = Pick<Features, 'crowd' | 'busy' | 'beside' | 'same' | 'shade'>;

/** What lies about the box of a difference. */
const aboutOf = ({ heat, aligned, b }: Look, { x0, x1, y0, y1, sum, area }: Blob, core: number): About => {
  const { cols, rows } = b;
  const [differs, first, second] = [heat.data as Uint8Array, aligned.data as Uint8Array, b.data as Uint8Array];
  const beyond = (px: number, x: number, y: number) => x < x0 - px || x > x1 + px || y < y0 - px || y > y1 + px;
  const within = (px: number, step: number, each: (i: number, x: number, y: number) => void) => {
    for (let y = Math.max(0, y0 - px); y <= Math.min(rows - 1, y1 + px); y += step)
      for (let x = Math.max(0, x0 - px); x <= Math.min(cols - 1, x1 + px); x += step) each(y * cols + x, x, y);
  };
  const mean = { crowd: 0, beside: 0 };
  const count = { crowd: 0, beside: 0 };
  const [shades, together] = [new Together(), new Together()];
  within(CROWD_PX, 2, (i, x, y) => {
    if (!beyond(0, x, y)) return;
    mean.crowd += differs[i]!;
    count.crowd += 1;
    if (!beyond(BUSY_PX, x, y)) shades.add(first[i]!, 0);
  });
  within(ALIKE_PX, 1, (i, x, y) => {
    if (beyond(BESIDE_PX, x, y)) together.add(first[i]!, second[i]!);
    else if (beyond(SOFT_PX, x, y)) {
      mean.beside += differs[i]!;
      count.beside += 1;
    }
  });
  return {
    crowd: count.crowd === 0 ? 0 : mean.crowd / count.crowd / core,
    busy: shades.n === 0 ? 0 : shades.spreads[0],
    beside: count.beside === 0 ? 0 : mean.beside / count.beside / (sum / area),
    same: together.n === 0 ? 0 : together.alike,
    shade: first[Math.round((y0 + y1) / 2) * cols + Math.round((x0 + x1) / 2)]!,
  };
};

/** Beyond so many times what it stands out now, how much it stood out before says no more. */
const MOST_STOOD_OUT = 2;

/** @param labels of the level at which it hangs together @param core what a flaw's core comes to on this boat */
export const featuresOf = (cv: Cv, look: Look, labels: Int32Array, core: number, blob: Blob): Features => {
  const { x0, x1, y0, y1, area, sum, far, rim, nearRim, below, peak } = blob;
  const [wide, high] = [x1 - x0 + 1, y1 - y0 + 1];
  const { off, fence } = wayOf(look, blob);
  const around = aroundOf(cv, look, labels, blob);
  const { standsOut, stoodOut } = around ?? { standsOut: 0, stoodOut: 0 };
  const by = Math.abs(standsOut) < 1 ? Math.sign(standsOut || 1) : standsOut;
  return {
    peak: peak / core,
    mean: sum / area / core,
    stands: far / sum,
    area: Math.log(area),
    long: Math.log(Math.max(wide, high)),
    flat: Math.log(wide / high),
    fill: area / (wide * high),
    rim: rim / area,
    nearRim: nearRim / area,
    below: below / area,
    cut: cutOf(look, labels, blob),
    became: around ? Math.abs(around.became - around.aroundBecame) : 0,
    around: around ? Math.abs(around.aroundBecame) : 0,
    alike: around?.alike ?? 1,
    restless: around?.restless ?? 1,
    standsOut: Math.abs(standsOut),
    stoodOut: Math.max(-MOST_STOOD_OUT, Math.min(MOST_STOOD_OUT, stoodOut / by)),
    change: Math.abs(standsOut - stoodOut),
    moved: movedAlike(cv, look, blob),
    blown: blownOf(look, blob),
    ...aboutOf(look, blob, core),
    level: blob.level,
    off: Math.log(1 + off),
    fence,
    ...explainedOf(look, blob),
    drawn: Math.log(drawnOut(blob)),
  };
};
