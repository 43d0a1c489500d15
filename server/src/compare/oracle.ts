import { comparePair } from './comparePair';
import type { Found } from './boxes';
import { COMPARED_AT_PX, type Grey } from './picture';
import type { Reason } from './recognise';
import { type Box, madeUpNegative, madeUpPair, type Negative, NEGATIVES, type Raster } from './madeUpPairs';

/** Marks are counted from this size on, px across. */
const COUNTED_FROM_PX = 12;
/** A box is a hit on a mark when it covers half of it and is not much larger than it. */
const COVERS = 0.5;
const LARGER = 6;
const SMALL_BOX_PX2 = 900;

/** How one made-up pair was judged. */
export type Judged = { refused: Reason | null; marks: number; hits: number; falseBoxes: number; ms: number };

/** Brightness as the comparison takes it (Rec. 601). */
export const greyOf = ({ width, height, data }: Raster): Grey => {
  if (width !== COMPARED_AT_PX) throw new Error(`made-up pictures are ${COMPARED_AT_PX} px wide, not ${width}`);
  const grey = new Uint8Array(width * height);
  for (let i = 0, p = 0; i < grey.length; i += 1, p += 3)
    grey[i] = Math.round(0.299 * data[p]! + 0.587 * data[p + 1]! + 0.114 * data[p + 2]!);
  return { width, height, data: grey };
};

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
