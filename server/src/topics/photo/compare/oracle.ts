import { readdir } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { compareFiles } from './compareFiles';
import { comparePair } from './comparePair';
import type { Blob } from './flaws/blobs';
import type { Found } from './flaws/boxes';
import { greyOf } from './picture';
import type { Reason } from './align/recognise';
import type { Box } from './madeUp/paint';
import { madeUpNegative, madeUpPair, type Negative, NEGATIVES } from './madeUp/pairs';
import type { FlawKind, Ground } from './real/flaws';
import { realPair, realStranger, type Stranger, STRANGERS } from './real/pairs';
import { fetchPhotographs } from './real/packages';
import { SECOND_VIEWS } from './real/photographs';
import type { Bases } from './real/surface';

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

/**
 * Boxes against what is known: a mark's area is that of its own box, since a scratch itself has hardly any.
 * @param partly what can be seen of flaws that nobody has to find: a box about one is neither a hit nor false
 */
export const judgeBoxes = (
  marks: readonly Box[],
  boxes: readonly Omit<Found, 'strength'>[],
  partly: readonly Box[] = [],
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
    falseBoxes: boxes.filter((box) => [...marks, ...partly].every((mark) => overlap(mark, box) === 0)).length,
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

/** How one pair of real photographs was judged, and what became of each of its flaws. */
export type JudgedReal = Judged & { found: { kind: FlawKind; ground: Ground; hit: boolean }[] };

export const judgeReal = async (bases: Bases, seed: number): Promise<JudgedReal> => {
  const { out, in: back, marks, partly } = await realPair(bases, seed);
  const [a, b] = [greyOf(out), greyOf(back)];
  const began = performance.now();
  const seen = await comparePair(a, b);
  const ms = performance.now() - began;
  const boxes = seen.comparable ? seen.boxes : [];
  const counted = marks.filter(({ width, height }) => Math.max(width, height) >= COUNTED_FROM_PX);
  return {
    refused: seen.comparable ? null : seen.reason,
    ...judgeBoxes(marks, boxes, partly),
    found: counted.map((mark) => ({ kind: mark.kind, ground: mark.ground, hit: judgeBoxes([mark], boxes).hits === 1 })),
    ms,
  };
};

/**
 * Two photographs that were really taken twice, of things on which nothing is new.
 * @param which of {@link SECOND_VIEWS}
 */
export const judgeSecondView = async (
  folder: string,
  which: number,
): Promise<{ name: string; near: boolean; refused: Reason | null; boxes: number }> => {
  const { package: of, out, back, near } = SECOND_VIEWS[which]!;
  const place = (await fetchPhotographs(folder, [of])).get(of)!;
  const files = await readdir(place, { recursive: true });
  const at = (name: string) =>
    join(
      place,
      files.find((file) => basename(file) === name)!,
    );
  const seen = await compareFiles(at(out), at(back));
  return { name: `${out} and ${back}`, near, refused: seen.reason, boxes: seen.boxes.length };
};

export const strangerOf = (seed: number): Stranger => STRANGERS[seed % STRANGERS.length]!;

/** @returns why two real photographs that must not be compared were refused, or null when they were compared all the same */
export const judgeStranger = async (bases: Bases, seed: number): Promise<{ kind: Stranger; refused: Reason | null }> => {
  const kind = strangerOf(seed);
  const { out, in: back } = await realStranger(bases, seed, kind);
  const seen = await comparePair(greyOf(out), greyOf(back));
  return { kind, refused: seen.comparable ? null : seen.reason };
};

export const negativeOf = (seed: number): Negative => NEGATIVES[seed % NEGATIVES.length]!;

/** @returns why a pair that must not be compared was refused, or null when it was compared all the same */
export const judgeNegative = async (seed: number): Promise<{ kind: Negative; refused: Reason | null }> => {
  const kind = negativeOf(seed);
  const { out, in: back } = await madeUpNegative(seed, kind);
  const seen = await comparePair(greyOf(out), greyOf(back));
  return { kind, refused: seen.comparable ? null : seen.reason };
};
