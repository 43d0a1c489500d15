import { Bin, type Cv } from '../vision';
import { bytesOf, type Mat } from '../picture';

/** How much brighter or darker than anything near it in the first picture at least; a flaw's edge and its core. */
const EDGE = 9;
/**
 * What hangs together is looked at by these multiples of the core: a flaw on the edge of a shadow hangs together with all of
 * that edge until only what is stronger is looked at.
 */
const LEVELS = [0.45, 1, 2] as const;
/** Of what hangs together at a lower level, something stronger has at most this share, or it is the same. */
const SMALLER = 0.7;
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

export const [ELSEWHERE, HERS, UNSEEN, BELOW] = [0, 1, 2, 3] as const;

export type Look = {
  heat: Mat;
  /** The same with more slack. */
  far: Uint8Array;
  /** Where she is, where the first picture does not reach, and what is beside or below her and may be hers. */
  allowed: Uint8Array;
  /** The first picture laid over the second, in the light of the second. */
  aligned: Mat;
  b: Mat;
  /** The first picture laid over the second, in its own light. */
  lit: Uint8Array;
  /** The same in the coarse picture, beside the second in it: as her surface alone has it, and as each place by itself has it. */
  coarse: { width: number; back: Uint8Array; surface: Uint8Array; free: Uint8Array; aligned: Uint8Array };
  /** How far each place of the coarse picture strayed from her surface, px of it. */
  strayed: Float32Array;
};

export type Blob = {
  /** Where it is written down: in the labels of this level, by this number. */
  level: number;
  label: number;
  /** What it is the stronger part of. */
  within: Blob | undefined;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  area: number;
  /** Of it, beside or below what is known of her. */
  below: number;
  sum: number;
  far: number;
  rim: number;
  /** Of it, farther from where she ends, but not far. */
  nearRim: number;
  peak: number;
  /** Sums of its places, by which it is known which way it lies. */
  sx: number;
  sy: number;
  sxx: number;
  sxy: number;
  syy: number;
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

const emptyBlob = (level: number, label: number, cols: number, rows: number): Blob => ({
  level,
  label,
  within: undefined,
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
  sx: 0,
  sy: 0,
  sxx: 0,
  sxy: 0,
  syy: 0,
});

/** Whether she ends so near a place, px up, down or to a side. */
const isByEnd = (allowed: Uint8Array, i: number, px: number, cols: number): boolean =>
  allowed[i - px] === ELSEWHERE ||
  allowed[i + px] === ELSEWHERE ||
  allowed[i - px * cols] === ELSEWHERE ||
  allowed[i + px * cols] === ELSEWHERE;

/** What is read of each place: looked up once, since what a picture of WASM is asked costs more than a place. */
type Field = { data: Uint8Array; far: Uint8Array; allowed: Uint8Array; cols: number };

/** Takes a place into a blob. */
const grow = (blob: Blob, { data, far, allowed, cols }: Field, x: number, y: number): void => {
  const i = y * cols + x;
  const v = data[i]!;
  blob.x0 = Math.min(blob.x0, x);
  blob.x1 = Math.max(blob.x1, x);
  blob.y0 = Math.min(blob.y0, y);
  blob.y1 = Math.max(blob.y1, y);
  blob.area += 1;
  if (allowed[i] === BELOW) blob.below += 1;
  blob.sum += v;
  blob.far += far[i]!;
  if (isByEnd(allowed, i, RIM_PX, cols)) blob.rim += 1;
  if (isByEnd(allowed, i, LONG_RIM_PX, cols) || (allowed[i] === HERS && allowed[i + BOTTOM_PX * cols] === BELOW)) blob.nearRim += 1;
  blob.peak = Math.max(blob.peak, v);
  blob.sx += x;
  blob.sy += y;
  blob.sxx += x * x;
  blob.sxy += x * y;
  blob.syy += y * y;
};

/** Numbers what hangs together above a level. */
const labelsOf = (cv: Cv, heat: Uint8Array, cols: number, rows: number, above: number): { labels: Int32Array; count: number } => {
  const bin = new Bin();
  try {
    const edges = bin.keep(new cv.Mat(rows, cols, cv.CV_8U));
    edges.data.set(heat);
    cv.threshold(edges, edges, above, 255, cv.THRESH_BINARY);
    const labels = bin.keep(new cv.Mat());
    const count = cv.connectedComponents(edges, labels, 8, cv.CV_32S);
    return { labels: labels.data32S.slice(), count };
  } finally {
    bin.empty();
  }
};

/** What hangs together in the heat, level by level, with how strong it is. */
export const blobsOf = (cv: Cv, look: Look): { blobs: Blob[]; labels: Int32Array[]; core: number } => {
  const { heat, allowed } = look;
  const { cols, rows } = heat;
  const data = bytesOf(heat);
  for (let i = 0; i < data.length; i += 1) if (allowed[i] !== HERS && allowed[i] !== BELOW) data[i] = 0;
  heat.data.set(data);
  const core = Math.max(CORE, Math.min(MOST_CORE, CALM + RESTLESS * usualOf(data, allowed)));
  const field: Field = { data, far: look.far, allowed, cols };
  const labels: Int32Array[] = [];
  const kept: Blob[] = [];
  /** For each level, what each of its labels is part of or is itself. */
  const standsFor: Blob[][] = [];
  for (const [level, of] of LEVELS.entries()) {
    const own = labelsOf(cv, data, cols, rows, Math.max(EDGE, core * of));
    labels.push(own.labels);
    const blobs = Array.from({ length: own.count }, (_, label) => emptyBlob(level, label, cols, rows));
    const first = new Int32Array(own.count);
    for (let y = 0, i = 0; y < rows; y += 1)
      for (let x = 0; x < cols; x += 1, i += 1) {
        const label = own.labels[i]!;
        if (label === 0) continue;
        first[label] = i;
        grow(blobs[label]!, field, x, y);
      }
    standsFor.push(
      blobs.map((blob, label) => {
        if (label === 0) return blob;
        const within = level === 0 ? undefined : standsFor[level - 1]![labels[level - 1]![first[label]!]!];
        if (within && blob.area > SMALLER * within.area) return within;
        blob.within = within;
        kept.push(blob);
        return blob;
      }),
    );
  }
  return { blobs: kept, labels, core };
};
