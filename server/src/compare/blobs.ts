import type { Bin, Cv } from './vision';
import { bytesOf, type Mat } from './picture';

/** How much brighter or darker than anything near it in the first picture; a flaw's edge and its core. */
const EDGE = 9;
const CORE = 19;
const MOST_CORE = 26;
/** The core follows what is usual over the boat: a rough surface or a restless light asks for more than a calm one. */
const CALM = 10;
const RESTLESS = 3;
/** So near to where she ends, px, something small lies at her rim; something long farther off still. */
const RIM_PX = 4;
const LONG_RIM_PX = 14;
/** Her bottom is where the water begins, which is not always at the same height. */
const BOTTOM_PX = 24;
/** Pieces of one scratch lie no farther apart than this. */
const JOIN_PX = 42;

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
export const joined = (blobs: readonly Blob[]): Blob[] => {
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
