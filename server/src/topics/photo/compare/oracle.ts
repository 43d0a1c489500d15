import { comparePair } from './comparePair';
import type { Blob } from './flaws/blobs';
import type { Found } from './flaws/boxes';
import { greyOf } from './picture';
import type { Reason } from './align/recognise';
import type { Box } from './madeUp/paint';
import { madeUpNegative, madeUpPair, type Negative, NEGATIVES } from './madeUp/pairs';

/** Marks are counted from this size on, px across. */
const COUNTED_FROM_PX = 12;
/** A box is a hit on a mark when it covers half of it and is not much larger than it. */
const COVERS = 0.5;
const LARGER = 6;
const SMALL_BOX_PX2 = 900;

/** How one made-up pair was judged. */
export type Judged = { refused: Reason | null; marks: number; hits: number; falseBoxes: number; ms: number };

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** Boxes against what is known: a mark's area is that of its own box, since a scratch itself has hardly any. */
export const judgeBoxes = (
  marks: readonly Box[],
  boxes: readonly Omit<Found, 'strength'>[],
): Pick<Judged, 'marks' | 'hits' | 'falseBoxes'> => {
  const counted = marks.filter(({ width, height }) => Math.max(width, height) >= COUNTED_FROM_PX);
  const hit = (mark: Box) => {
    const area = mark.width * mark.height;
    return boxes.some((box) => overlap(mark, box) >= COVERS * area && box.width * box.height <= Math.max(SMALL_BOX_PX2, LARGER * area));
  };
  return {
    marks: counted.length,
    hits: counted.filter(hit).length,
    // A box on a part of a mark is no hit, but it is not about nothing either.
    falseBoxes: boxes.filter((box) => marks.every((mark) => overlap(mark, box) === 0)).length,
  };
};

/** So far beyond a mark its soft edge reaches, px. */
const SOFT_PX = 3;

/**
 * Whether a difference is (a piece of) one of the marks that are known: most of its box lies in one.
 * @returns nothing where it can be called either
 */
export const isOfMark = ({ x0, y0, x1, y1 }: Pick<Blob, 'x0' | 'y0' | 'x1' | 'y1'>, marks: readonly Box[]): boolean | undefined => {
  const box = { x: x0, y: y0, width: x1 - x0 + 1, height: y1 - y0 + 1 };
  const area = box.width * box.height;
  const met = marks.filter((mark) => overlap(box, mark) > 0);
  // A box about so much more than the mark shows nobody where it is.
  if (met.length > 0 && met.every(({ width, height }) => area > Math.max(SMALL_BOX_PX2, LARGER * width * height))) return false;
  const most = Math.max(
    0,
    ...marks.map(({ x, y, width, height }) =>
      overlap(box, { x: x - SOFT_PX, y: y - SOFT_PX, width: width + 2 * SOFT_PX, height: height + 2 * SOFT_PX }),
    ),
  );
  return most === 0 ? false : most >= COVERS * area ? true : undefined;
};

export const judgePair = async (seed: number): Promise<Judged> => {
  const { out, in: back, marks } = await madeUpPair(seed);
  const [a, b] = [greyOf(out), greyOf(back)];
  const began = performance.now();
  const seen = await comparePair(a, b);
  const ms = performance.now() - began;
  return seen.comparable
    ? { refused: null, ...judgeBoxes(marks, seen.boxes), ms }
    : { refused: seen.reason, marks: judgeBoxes(marks, []).marks, hits: 0, falseBoxes: 0, ms };
};

export const negativeOf = (seed: number): Negative => NEGATIVES[seed % NEGATIVES.length]!;

/** @returns why a pair that must not be compared was refused, or null when it was compared all the same */
export const judgeNegative = async (seed: number): Promise<{ kind: Negative; refused: Reason | null }> => {
  const kind = negativeOf(seed);
  const { out, in: back } = await madeUpNegative(seed, kind);
  const seen = await comparePair(greyOf(out), greyOf(back));
  return { kind, refused: seen.comparable ? null : seen.reason };
};
