import { aroundOf } from './around';
import { type Blob, blobsOf, ELSEWHERE, joined, type Look } from './blobs';
import { moved } from './moved';
import type { Bin, Cv } from './vision';
import { bytesOf, type Mat } from './picture';

/** What is new in the second photograph, px of it; the strongest first. */
export type Found = { x: number; y: number; width: number; height: number; strength: number };

const LEAST_PX = 26;
const LEAST_SIDE_PX = 7;
const MOST_BOXES = 12;
const EDGE_PX = 2;
/** Found this near in the other picture as well, it may only have shifted; so much of it must stand out all the same. */
const STANDS_OUT = 0.18;
/** So large a part of it lies where she ends: it is of what she stands before. */
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
/** Logarithm of how much lighter or darker a place became: as little as this is no change. */
const UNCHANGED = 0.06;
/** So much of its surroundings became what it became: it is the edge of a light. */
const LIT_ALIKE = 0.28;
/** So much of its surroundings may have changed by itself. */
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
/** Seen as well as this a hand's breadth away, it only moved; in quiet paint it has to be the very same. */
const MOVED_ALIKE = 0.74;
const VERY_SAME = 0.87;
/** A part of a flaw may be fainter than one that stands alone, by so much. */
const PART = 0.6;
/** Wider than this and mostly empty, it is light and no flaw. */
const VEIL_PX2 = 25_000;
const VEILED = 0.2;
/** So large a part of something long and flat along where she ends: it is the edge itself. */
const ALONG_RIM = 0.5;
const LONG = 3;
const LONG_PX = 50;

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
