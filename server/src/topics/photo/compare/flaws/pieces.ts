import type { Blob } from './blobs';

/** How a piece is drawn out, and how many places it has. */
type Piece = Pick<Blob, 'x0' | 'y0' | 'x1' | 'y1' | 'area' | 'sx' | 'sy' | 'sxx' | 'sxy' | 'syy'>;
/** A piece with the logarithm of the odds that it is a flaw. */
export type Judged = Blob & { odds: number };

/** Pieces of one line that are likely themselves lie no farther apart than this, px; others than that, filling their common box so well. */
const JOIN_PX = 42;
const CLOSE_PX = 14;
const FILLS = 1.5;
const SLACK_PX = 20;
/** What goes on behind letters or over a seam begins again within so many px. */
const GAP_PX = 20;
/** Longer than wide by so much, pieces lie in a line; of its length they are so much together; none is as much thicker. */
const LINE = 5;
const SEEN_OF_LINE = 0.4;
const THICKER = 3;
/**
 * The other half of a dent lies right beside it, or over or under it a little farther off, is no larger, and the box of both is
 * no larger than this many times; a dent is no line.
 */
const BESIDE_PX = 6;
const UNDER_PX = 16;
const OVERLAPS = 0.6;
const COMPACT = 3;
const BOTH = 2.5;
/** A whole that is likely by itself stands, and any part that is likelier by more than this stands for one that is not. */
export const LIKELY = 0;
const LIKELIER = 1.5;

const sizeOf = ({ x0, y0, x1, y1 }: Piece): number => (x1 - x0 + 1) * (y1 - y0 + 1);
const lengthOf = ({ x0, y0, x1, y1 }: Piece): number => Math.hypot(x1 - x0 + 1, y1 - y0 + 1);
const gapOf = (a: Piece, b: Piece): number => Math.hypot(Math.max(0, a.x0 - b.x1, b.x0 - a.x1), Math.max(0, a.y0 - b.y1, b.y0 - a.y1));

/** How many times as long as wide its places are spread. */
export const drawnOut = ({ area, sx, sy, sxx, sxy, syy }: Piece): number => {
  const [mx, my] = [sx / area, sy / area];
  const [a, b, d] = [sxx / area - mx * mx, sxy / area - mx * my, syy / area - my * my];
  const [half, root] = [(a + d) / 2, Math.hypot((a - d) / 2, b)];
  // A place is as wide as it is, not a point.
  return Math.sqrt((half + root + 1 / 12) / (Math.max(0, half - root) + 1 / 12));
};

const both = (a: Judged, b: Blob): Judged => ({
  ...a,
  x0: Math.min(a.x0, b.x0),
  y0: Math.min(a.y0, b.y0),
  x1: Math.max(a.x1, b.x1),
  y1: Math.max(a.y1, b.y1),
  area: a.area + b.area,
  sum: a.sum + b.sum,
  peak: Math.max(a.peak, b.peak),
  sx: a.sx + b.sx,
  sy: a.sy + b.sy,
  sxx: a.sxx + b.sxx,
  sxy: a.sxy + b.sxy,
  syy: a.syy + b.syy,
});

/** Of what lies within each other, what is likeliest: the whole, or the stronger parts of it. */
export const likeliest = (all: readonly Judged[]): Judged[] => {
  const parts = new Map<Blob | undefined, Judged[]>();
  const judged = new Set<Blob>(all);
  for (const one of all) {
    // What was not worth judging stands for nothing; its parts are its own whole's.
    let { within } = one;
    while (within && !judged.has(within)) within = within.within;
    parts.set(within, [...(parts.get(within) ?? []), one]);
  }
  const best = (one: Judged): Judged[] => {
    const below = (parts.get(one) ?? []).flatMap(best);
    return one.odds < LIKELY && below.some(({ odds }) => odds > one.odds + LIKELIER) ? below : [one];
  };
  return (parts.get(undefined) ?? []).flatMap(best);
};

/** Whether two pieces lie in one line, and are enough of it. */
const inLine = (a: Judged, b: Blob, seen: number): boolean => {
  const together = both(a, b);
  return drawnOut(together) >= LINE && seen + lengthOf(b) >= SEEN_OF_LINE * lengthOf(together);
};

const areOne = (a: Judged, b: Judged, within: number): boolean => {
  const gap = gapOf(a, b);
  if (gap > within) return false;
  const fill = gap <= CLOSE_PX && sizeOf(both(a, b)) <= FILLS * (sizeOf(a) + sizeOf(b)) + SLACK_PX ** 2;
  return fill || inLine(a, b, lengthOf(a));
};

/** Pieces of one flaw are one flaw: those that lie close together, and in a line or filling their common box, are joined. */
export const joined = (pieces: readonly Judged[], gap = JOIN_PX): Judged[] => {
  const all = [...pieces];
  for (let i = 0; i < all.length; i += 1)
    for (let j = i + 1; j < all.length; j += 1)
      if (areOne(all[i]!, all[j]!, gap)) {
        const [a, b] = [all[i]!, all[j]!];
        all[i] = { ...both(a, b), odds: Math.max(a.odds, b.odds) };
        all.splice(j, 1);
        // It may reach others now that it did not reach before.
        i = -1;
        break;
      }
  return all;
};

/** Whether a piece is the other half of a dent. */
const isHalf = (flaw: Judged, piece: Blob): boolean => {
  if (drawnOut(flaw) >= COMPACT || piece.area > flaw.area || sizeOf(both(flaw, piece)) > BOTH * sizeOf(flaw)) return false;
  const gap = gapOf(flaw, piece);
  const across = Math.min(flaw.x1, piece.x1) - Math.max(flaw.x0, piece.x0) + 1;
  const under = across >= OVERLAPS * Math.min(flaw.x1 - flaw.x0, piece.x1 - piece.x0);
  return gap <= BESIDE_PX || (under && gap <= UNDER_PX);
};

/** A flaw with those fainter pieces that are of it: a scratch that goes on behind letters, the other half of a dent. */
export const whole = (flaw: Judged, faint: readonly Blob[]): Judged => {
  let now = flaw;
  let seen = lengthOf(flaw);
  const left = [...faint];
  for (;;) {
    // The nearest first: a line goes on piece by piece.
    left.sort((p, q) => gapOf(now, p) - gapOf(now, q));
    const at = left.findIndex(
      (piece) => gapOf(now, piece) <= GAP_PX && (isHalf(now, piece) || (piece.area <= THICKER * now.area && inLine(now, piece, seen))),
    );
    if (at < 0) return now;
    now = both(now, left[at]!);
    seen += lengthOf(left[at]!);
    left.splice(at, 1);
  }
};
