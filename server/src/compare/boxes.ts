import { Bin, type Cv } from './vision';
import { bytesOf, type Mat } from './picture';

/** What is new in the second photograph, px of it; the strongest first. */
export type Found = { x: number; y: number; width: number; height: number; strength: number };

/** How much brighter or darker than anything near it in the first picture; a flaw's edge and its core. */
const EDGE = 9;
const CORE = 19;
const MOST_CORE = 26;
/** The core follows what is usual over the boat: a rough surface or a restless light asks for more than a calm one. */
const CALM = 10;
const RESTLESS = 3;
const LEAST_PX = 26;
const LEAST_SIDE_PX = 7;
const MOST_BOXES = 12;
const EDGE_PX = 2;
/** Found this near in the other picture as well, it may only have shifted; so much of it must stand out all the same. */
const STANDS_OUT = 0.18;
/** What lies so near to where she ends, px, and to so large a part, is of what she stands before. */
const RIM_PX = 4;
const AT_RIM = 0.3;
/** So much of a side of it goes on beyond where she ends. */
const CUT_OFF = 0.5;
/** Below what is known of her it may be water: a flaw there stands out in quiet surroundings, and does not lie flat. */
const QUIET_BELOW = 0.35;
const FLAT = 2.5;
const STRONG_BELOW = 1.3;
/** A large flaw has a core; what is as large and even is the soft edge of a shadow. */
const LARGE_PX = 350;
const LARGE_CORE = 1.3;
/** Fainter than this, it is not worth anybody's eye. */
const FAINT = 0.46;
/** The sun in a drop of water: small, and blown out by so much of its box. */
const GLINT_PX = 23;
const BLOWN = 236;
const BLOWN_PART = 0.14;
/** Surroundings of a difference, px from it: near ones are left out, since edges are soft. */
const FROM_PX = 3;
const TO_PX = 9;
const LEAST_AROUND = 24;
/** Logarithm of how much lighter or darker a place became: as little as this is no change. */
const UNCHANGED = 0.06;
/** So near to what became of a difference, as a share of the step between it and its surroundings, is the same light. */
const SAME_LIGHT = 0.4;
const LIT_ALIKE = 0.28;
/** Surroundings that became so much lighter or darker than the rest of them are not quiet; so much of them may be. */
const QUIET = 0.12;
const RESTLESS_AROUND = 0.5;
/** So many times as strong as it has to be, it may lie across the edge of a shadow. */
const STRONG = 3;
const RESTLESS_STRONG = 0.8;
/** Standing out so much in the other picture too, for how it stands out here, it was there before, or is gone. */
const BEFORE = 0.22;
const GONE = 0.5;
const TURNED = 12;
const TURNED_GONE = 1.1;
const LEAST_STANDS = 7;
const CALM_AROUND = 0.1;
const NOTHING_BEFORE = 0.25;
/** Near things stand elsewhere before her in the second picture, by up to so many px; seen there as well as this, they only moved. */
const MOVED_PX = 44;
const PIECE_PX = 60;
const MOVED_ALIKE = 0.74;
const VERY_SAME = 0.87;
const STAYED_ALIKE = 0.7;
/** Brightness by which a place must vary for it to be recognised elsewhere. */
const TELLING = 9;
/** Pieces of one scratch lie no farther apart than this. */
const JOIN_PX = 42;
/** A part of a flaw may be fainter than one that stands alone, by so much. */
const PART = 0.6;
/** Wider than this and mostly empty, it is light and no flaw. */
const VEIL_PX2 = 25_000;
const VEILED = 0.2;
/** Long and flat along where she ends, it is the edge itself. */
const LONG_RIM_PX = 14;
/** Her bottom is where the water begins, which is not always at the same height. */
const BOTTOM_PX = 24;
const ALONG_RIM = 0.5;
const LONG = 3;
const LONG_PX = 50;

export const [ELSEWHERE, HERS, UNSEEN, BELOW] = [0, 1, 2, 3] as const;

export type Look = {
  heat: Mat;
  /** The same with more slack. */
  far: Uint8Array;
  /** Where she is, where the first picture does not reach, and what is below her and may be hers. */
  allowed: Uint8Array;
  /** The first picture laid over the second, in the light of the second. */
  aligned: Mat;
  b: Mat;
  /** The first picture laid over the second, in its own light. */
  lit: Uint8Array;
};

export type Blob = {
  label: number;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  area: number;
  /** Of it, below what is known of her. */
  below: number;
  sum: number;
  far: number;
  rim: number;
  /** Of it, farther from where she ends, but not far. */
  nearRim: number;
  peak: number;
};

const near = (a: Blob, b: Blob, gap: number) => a.x0 - gap <= b.x1 && b.x0 - gap <= a.x1 && a.y0 - gap <= b.y1 && b.y0 - gap <= a.y1;

/** Whether two pieces fill their common box well enough to be of one flaw. */
const isOne = (a: Blob, b: Blob): boolean => {
  const size = (x0: number, y0: number, x1: number, y1: number) => (x1 - x0 + 1) * (y1 - y0 + 1);
  const both = size(Math.min(a.x0, b.x0), Math.min(a.y0, b.y0), Math.max(a.x1, b.x1), Math.max(a.y1, b.y1));
  return both <= 7 * (size(a.x0, a.y0, a.x1, a.y1) + size(b.x0, b.y0, b.x1, b.y1)) + JOIN_PX ** 2;
};

/** Pieces of one flaw are one flaw: those that lie close together are joined. */
const joined = (blobs: readonly Blob[]): Blob[] => {
  const all = [...blobs];
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < all.length && !again; i += 1)
      for (let j = i + 1; j < all.length && !again; j += 1)
        if (near(all[i]!, all[j]!, JOIN_PX) && isOne(all[i]!, all[j]!)) {
          const [a, b] = [all[i]!, all[j]!];
          all[i] = {
            label: a.label,
            x0: Math.min(a.x0, b.x0),
            y0: Math.min(a.y0, b.y0),
            x1: Math.max(a.x1, b.x1),
            y1: Math.max(a.y1, b.y1),
            area: a.area + b.area,
            below: a.below + b.below,
            sum: a.sum + b.sum,
            far: a.far + b.far,
            rim: a.rim + b.rim,
            nearRim: a.nearRim + b.nearRim,
            peak: Math.max(a.peak, b.peak),
          };
          all.splice(j, 1);
          again = true;
        }
  }
  return all;
};

const LOG = Float32Array.from({ length: 256 }, (_, v) => Math.log(v + 10));

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** A difference beside what lies around it, in both pictures. */
type Around = {
  /** How much lighter it became, as a logarithm: itself, and what is around it. */
  became: number;
  aroundBecame: number;
  /** Share of what is around it that became what it became: the edge of a shadow or of something wet, and no flaw. */
  alike: number;
  /** Share of what is around it that did not become what the rest of it became: a flaw lies in quiet paint. */
  restless: number;
  /** How much it stands out in the second picture, and in the first in the second's light. */
  standsOut: number;
  stoodOut: number;
};

const aroundOf = (cv: Cv, { b, lit, allowed }: Look, labels: Mat, { label, x0, y0, x1, y1 }: Blob): Around | undefined => {
  const [left, top] = [Math.max(0, x0 - TO_PX - 1), Math.max(0, y0 - TO_PX - 1)];
  const [w, h] = [Math.min(b.cols, x1 + TO_PX + 2) - left, Math.min(b.rows, y1 + TO_PX + 2) - top];
  const bin = new Bin();
  try {
    const inside = bin.keep(new cv.Mat(h, w, cv.CV_8U));
    const of = labels.data32S;
    for (let y = 0; y < h; y += 1)
      for (let x = 0; x < w; x += 1) inside.data[y * w + x] = of[(top + y) * b.cols + left + x] === label ? 255 : 0;
    const [skip, reach] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    const by = (px: number) => bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * px + 1, 2 * px + 1)));
    cv.dilate(inside, skip, by(FROM_PX));
    cv.dilate(inside, reach, by(TO_PX));
    const [is, not, far] = [bytesOf(inside), bytesOf(skip), bytesOf(reach)];
    const after = b.data as Uint8Array;
    const [its, others]: [number[], number[]] = [[], []];
    const [now, then, aroundNow, aroundThen] = [{ sum: 0 }, { sum: 0 }, { sum: 0 }, { sum: 0 }];
    for (let y = 0; y < h; y += 1)
      for (let x = 0, i = (top + y) * b.cols + left; x < w; x += 1, i += 1) {
        const k = y * w + x;
        if (is[k]) {
          its.push(LOG[after[i]!]! - LOG[lit[i]!]!);
          now.sum += after[i]!;
          then.sum += lit[i]!;
        } else if (far[k] && !not[k] && (allowed[i] === HERS || allowed[i] === BELOW)) {
          others.push(LOG[after[i]!]! - LOG[lit[i]!]!);
          aroundNow.sum += after[i]!;
          aroundThen.sum += lit[i]!;
        }
      }
    if (others.length < LEAST_AROUND) return undefined;
    const [became, aroundBecame] = [median(its), median(others)];
    const step = Math.abs(became - aroundBecame);
    const brighter = Math.exp(aroundBecame);
    return {
      became,
      aroundBecame,
      alike: others.filter((one) => Math.abs(one - became) < SAME_LIGHT * step).length / others.length,
      restless: others.filter((one) => Math.abs(one - aroundBecame) > QUIET).length / others.length,
      standsOut: now.sum / its.length - aroundNow.sum / others.length,
      stoodOut: (then.sum / its.length - aroundThen.sum / others.length) * brighter,
    };
  } finally {
    bin.empty();
  }
};

/** Whether what one picture shows at a place stands only a little elsewhere in the other: a post or a fender before the boat. */
const movedFrom = (cv: Cv, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob, alike: number): boolean => {
  const pad = 12;
  const [left, top] = [Math.max(0, x0 - pad), Math.max(0, y0 - pad)];
  const [right, bottom] = [Math.min(one.cols, x1 + pad + 1), Math.min(one.rows, y1 + pad + 1)];
  const [l, t] = [Math.max(0, left - MOVED_PX), Math.max(0, top - MOVED_PX / 4)];
  const [r, d] = [Math.min(one.cols, right + MOVED_PX), Math.min(one.rows, bottom + MOVED_PX / 4)];
  const bin = new Bin();
  try {
    const patch = bin.keep(one.roi(new cv.Rect(left, top, right - left, bottom - top)));
    const [mean, spread] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    cv.meanStdDev(patch, mean, spread);
    if (spread.data64F[0]! < TELLING) return false;
    const field = bin.keep(other.roi(new cv.Rect(l, t, r - l, d - t)));
    const found = bin.keep(new cv.Mat());
    cv.matchTemplate(field, patch, found, cv.TM_CCOEFF_NORMED);
    const none = bin.keep(new cv.Mat());
    const { maxVal, maxLoc } = cv.minMaxLoc(found, none) as unknown as { maxVal: number; maxLoc: { x: number; y: number } };
    if (maxVal < alike) return false;
    // What looks like it over there has to be gone from there: a rivet like any other has not moved.
    const there = new cv.Rect(l + maxLoc.x, t + maxLoc.y, right - left, bottom - top);
    cv.matchTemplate(bin.keep(one.roi(there)), bin.keep(other.roi(there)), found, cv.TM_CCOEFF_NORMED);
    return found.data32F[0]! < STAYED_ALIKE;
  } finally {
    bin.empty();
  }
};

/** A long thing is looked for piece by piece: what it stands before is another thing elsewhere. */
const pieces = (blob: Blob): Blob[] => {
  const [wide, high] = [blob.x1 - blob.x0 + 1, blob.y1 - blob.y0 + 1];
  const count = Math.max(1, Math.round(Math.max(wide, high) / PIECE_PX));
  return Array.from({ length: count }, (_, i) =>
    high >= wide
      ? { ...blob, y0: blob.y0 + Math.floor((i * high) / count), y1: blob.y0 + Math.floor(((i + 1) * high) / count) - 1 }
      : { ...blob, x0: blob.x0 + Math.floor((i * wide) / count), x1: blob.x0 + Math.floor(((i + 1) * wide) / count) - 1 },
  );
};

/** Whether most of a difference stands elsewhere in the other picture. */
const moved = (cv: Cv, { b, aligned }: Look, blob: Blob, alike: number): boolean => {
  const all = pieces(blob);
  return all.filter((one) => movedFrom(cv, b, aligned, one, alike) || movedFrom(cv, aligned, b, one, alike)).length > all.length / 2;
};

/** What is usual over the boat. */
const usualOf = (heat: Uint8Array, allowed: Uint8Array): number => {
  const counts = new Uint32Array(256);
  let n = 0;
  for (let i = 0; i < heat.length; i += 2)
    if (allowed[i] === HERS) {
      counts[heat[i]!]! += 1;
      n += 1;
    }
  let [seen, v] = [0, 0];
  while (v < 255 && (seen += counts[v]!) < 0.97 * n) v += 1;
  return v;
};

const emptyBlob = (label: number, cols: number, rows: number): Blob => ({
  label,
  x0: cols,
  y0: rows,
  x1: 0,
  y1: 0,
  area: 0,
  below: 0,
  sum: 0,
  far: 0,
  rim: 0,
  nearRim: 0,
  peak: 0,
});

/** Takes a place into a blob. */
const grow = (blob: Blob, { heat, far, allowed }: Look, x: number, y: number): void => {
  const i = y * heat.cols + x;
  const v = (heat.data as Uint8Array)[i]!;
  blob.x0 = Math.min(blob.x0, x);
  blob.x1 = Math.max(blob.x1, x);
  blob.y0 = Math.min(blob.y0, y);
  blob.y1 = Math.max(blob.y1, y);
  blob.area += 1;
  if (allowed[i] === BELOW) blob.below += 1;
  blob.sum += v;
  blob.far += far[i]!;
  const outside = (px: number) => [i - px, i + px, i - px * heat.cols, i + px * heat.cols].some((at) => allowed[at] === ELSEWHERE);
  if (outside(RIM_PX)) blob.rim += 1;
  if (outside(LONG_RIM_PX) || (allowed[i] === HERS && allowed[i + BOTTOM_PX * heat.cols] === BELOW)) blob.nearRim += 1;
  blob.peak = Math.max(blob.peak, v);
};

/** What hangs together in the heat, with how strong it is. */
export const blobsOf = (cv: Cv, bin: Bin, look: Look): { blobs: Blob[]; labels: Mat; core: number } => {
  const { heat, allowed } = look;
  const { cols, rows } = heat;
  const data = bytesOf(heat);
  for (let i = 0; i < data.length; i += 1) if (allowed[i] !== HERS && allowed[i] !== BELOW) data[i] = 0;
  heat.data.set(data);
  const core = Math.max(CORE, Math.min(MOST_CORE, CALM + RESTLESS * usualOf(data, allowed)));
  const edges = bin.keep(new cv.Mat());
  cv.threshold(heat, edges, Math.max(EDGE, core * 0.45), 255, cv.THRESH_BINARY);
  const [labels, stats, centres] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
  const count = cv.connectedComponentsWithStats(edges, labels, stats, centres, 8);
  const blobs = Array.from({ length: count }, (_, label) => emptyBlob(label, cols, rows));
  const of = labels.data32S;
  for (let y = 0, i = 0; y < rows; y += 1) for (let x = 0; x < cols; x += 1, i += 1) if (of[i] !== 0) grow(blobs[of[i]!]!, look, x, y);
  return { blobs: blobs.slice(1), labels, core };
};

/** Whether so much of one side of a difference goes on beyond where she ends: a post, a line or the bank comes in from there. */
const comesIn = ({ allowed, b: { cols, rows } }: Look, labels: Mat, { label, x0, x1, y0, y1 }: Blob): boolean => {
  const of = labels.data32S;
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
    return count >= CUT_OFF * (to - from + 1);
  };
  return (
    goesOn(x0, x1, y0, 1, (along, into) => [along, into]) ||
    goesOn(y0, y1, x0, 1, (along, into) => [into, along]) ||
    goesOn(y0, y1, x1, -1, (along, into) => [into, along])
  );
};

const isFaint = ({ area, peak }: Blob, core: number): boolean => area < 6 || peak < PART * core;

/** Why a difference is nothing new on the boat. */
export type WhyNot = 'faint' | 'shifted' | 'rim' | 'light' | 'before' | 'gone' | 'moved' | 'restless';

export const whyNot = (cv: Cv, look: Look, labels: Mat, core: number, blob: Blob): WhyNot | undefined => {
  if (isFaint(blob, core)) return 'faint';
  if (blob.far < STANDS_OUT * blob.sum) return 'shifted';
  const [wide, high] = [blob.x1 - blob.x0 + 1, blob.y1 - blob.y0 + 1];
  const long = Math.max(wide, high) >= LONG_PX && Math.max(wide / high, high / wide) >= LONG;
  if (blob.rim > AT_RIM * blob.area || (long && blob.nearRim > ALONG_RIM * blob.area)) return 'rim';
  if (comesIn(look, labels, blob)) return 'rim';
  const below = blob.below > blob.area / 2;
  // Streaks and ripples lie flat.
  if (below && (wide > FLAT * high || blob.peak < STRONG_BELOW * core)) return 'rim';
  let alikeElsewhere = MOVED_ALIKE;
  const around = aroundOf(cv, look, labels, blob);
  if (around) {
    const { became, aroundBecame, alike, standsOut, stoodOut, restless } = around;
    if (below && restless > QUIET_BELOW) return 'restless';
    if (restless > (blob.peak >= STRONG * core ? RESTLESS_STRONG : RESTLESS_AROUND)) return 'restless';
    if (Math.abs(became - aroundBecame) < UNCHANGED || alike > LIT_ALIKE) return 'light';
    if (standsOut * stoodOut > 0 && Math.abs(stoodOut) > BEFORE * Math.abs(standsOut)) return 'before';
    // Where something dark gave way to something light, the light is new, however dark it was.
    const turned = standsOut * stoodOut < 0 && Math.abs(standsOut) > TURNED;
    if (Math.abs(standsOut) < Math.max(LEAST_STANDS, (turned ? TURNED_GONE : GONE) * Math.abs(stoodOut))) return 'gone';
    // A flaw in quiet paint stands elsewhere only if it is the very same there.
    if (restless < CALM_AROUND && Math.abs(stoodOut) < NOTHING_BEFORE * Math.abs(standsOut)) alikeElsewhere = VERY_SAME;
  }
  return moved(cv, look, blob, alikeElsewhere) ? 'moved' : undefined;
};

/** Whether it is the sun in a drop of water. */
const isGlint = ({ x0, x1, y0, y1 }: Blob, bright: Uint8Array, lit: Uint8Array, cols: number, rows: number): boolean => {
  if (Math.max(x1 - x0, y1 - y0) >= GLINT_PX) return false;
  /** Share of what lies within so many px of its box that is blown out. */
  const blown = (picture: Uint8Array, px: number): number => {
    let [count, of] = [0, 0];
    for (let y = Math.max(0, y0 - px); y <= Math.min(rows - 1, y1 + px); y += 1)
      for (let x = Math.max(0, x0 - px); x <= Math.min(cols - 1, x1 + px); x += 1, of += 1) if (picture[y * cols + x]! >= BLOWN) count += 1;
    return count / of;
  };
  // Where the paint about it is blown out as well, it is the light of the day.
  return [bright, lit].some((picture) => {
    const inside = blown(picture, 0);
    return inside >= BLOWN_PART && inside >= 2 * blown(picture, GLINT_PX);
  });
};

export const boxesOf = (cv: Cv, bin: Bin, look: Look): Found[] => {
  const { blobs, labels, core } = blobsOf(cv, bin, look);
  const bright = bytesOf(look.b);
  const standing = blobs.filter(
    (blob) =>
      !isFaint(blob, core) &&
      !isGlint(blob, bright, look.lit, look.b.cols, look.b.rows) &&
      whyNot(cv, look, labels, core, blob) === undefined,
  );
  return joined(standing)
    .filter(({ peak, area }) => peak >= core * (area > LARGE_PX ? LARGE_CORE : 1))
    .filter(({ x0, x1, y0, y1, area }) => (x1 - x0) * (y1 - y0) < VEIL_PX2 || area > VEILED * (x1 - x0) * (y1 - y0))
    .filter(
      ({ x0, x1, y0, y1, area, sum }) => Math.max(x1 - x0, y1 - y0) >= LEAST_SIDE_PX && area >= LEAST_PX && sum >= LEAST_PX * core * 0.7,
    )
    .map(({ x0, x1, y0, y1, sum, peak }) => ({
      // Its soft edge is of it.
      x: Math.max(0, x0 - EDGE_PX),
      y: Math.max(0, y0 - EDGE_PX),
      width: Math.min(look.b.cols, x1 + EDGE_PX + 1) - Math.max(0, x0 - EDGE_PX),
      height: Math.min(look.b.rows, y1 + EDGE_PX + 1) - Math.max(0, y0 - EDGE_PX),
      strength: Math.round(Math.min(1, (peak / 90) * 0.5 + Math.min(1, sum / 6000) * 0.5) * 1000) / 1000,
    }))
    .filter(({ strength }) => strength >= FAINT)
    .sort((p, q) => q.strength - p.strength)
    .slice(0, MOST_BOXES);
};
