import { type Blob, blobsOf, type Look } from './blobs';
import { USUALLY_SHOWN_FROM } from '@quay/core/condition/shownFrom';
import model from './flawModel.json';
import { type Forest, oddsOf } from './forest';
import { type Judged, joined, LIKELY, likeliest, whole } from './pieces';
import { FEATURES, featuresOf } from './features';
import type { Cv } from '../vision';

/** What is new in the second photograph, px of it; `strength` is how likely it is a flaw, 0 to 1. */
export type Found = { x: number; y: number; width: number; height: number; strength: number };
/** The likeliest first: what is boxed, and what is less likely and only shown to who asks for it. */
export type Ranked = { boxes: Found[]; fainter: Found[] };

/** Less than this is not looked at closer: of a thousand flaws not one has less. */
const WORTH_PX = 40;
const WORTH_PEAK = 0.9;
const WORTH_STANDS = 0.25;
/** Fainter than this, nothing is even a piece of a flaw. */
const PIECE_PX = 6;
const PIECE_PEAK = 0.5;
/** Logarithm of the odds from which a difference is a piece of a flaw, and from which there is a box about it. */
const PIECE_ODDS = -2;
const BOX_ODDS = Math.log(USUALLY_SHOWN_FROM / (1 - USUALLY_SHOWN_FROM));
/** Less likely than this, nobody is shown it. */
const FAINTEST_ODDS = -4;
const LEAST_SIDE_PX = 7;
const MOST_BOXES = 12;
const MOST_FAINTER = 20;
/** A flaw's soft edge is of it. */
const EDGE_PX = 2;

const FOREST = model as unknown as Forest;

/** Whether a difference can be a flaw at all. */
export const isWorthJudging = ({ area, peak, far, sum }: Blob, core: number): boolean =>
  area >= WORTH_PX && peak >= WORTH_PEAK * core && far >= WORTH_STANDS * sum;

const inside = (a: Blob, b: Blob): boolean => a.x0 >= b.x0 && a.x1 <= b.x1 && a.y0 >= b.y0 && a.y1 <= b.y1;

const overlaps = (a: Blob, b: Blob): boolean => a.x0 <= b.x1 && b.x0 <= a.x1 && a.y0 <= b.y1 && b.y0 <= a.y1;

const boxOf = ({ x0, x1, y0, y1, odds }: Judged, cols: number, rows: number): Found => ({
  x: Math.max(0, x0 - EDGE_PX),
  y: Math.max(0, y0 - EDGE_PX),
  width: Math.min(cols, x1 + EDGE_PX + 1) - Math.max(0, x0 - EDGE_PX),
  height: Math.min(rows, y1 + EDGE_PX + 1) - Math.max(0, y0 - EDGE_PX),
  strength: Math.round(1000 / (1 + Math.exp(-odds))) / 1000,
});

export const boxesOf = (cv: Cv, look: Look): Ranked => {
  const { blobs, labels, core } = blobsOf(cv, look);
  const oddsByBlob = new Map<Blob, number>();
  const judged: Judged[] = [];
  // Wholes come before their parts; what is within a whole that stands by itself need not be judged.
  for (const blob of blobs) {
    if (!isWorthJudging(blob, core)) continue;
    let { within } = blob;
    while (within && !((oddsByBlob.get(within) ?? -Infinity) >= LIKELY)) within = within.within;
    if (within) continue;
    const features = featuresOf(cv, look, labels[blob.level]!, core, blob);
    const odds = oddsOf(
      FOREST,
      FEATURES.map((feature) => features[feature]),
    );
    oddsByBlob.set(blob, odds);
    judged.push(Object.assign(blob, { odds }));
  }
  const standing = likeliest(judged);
  const pieces = standing.filter(({ odds }) => odds >= PIECE_ODDS);
  const faint = blobs.filter(
    (blob) => blob.level === 0 && blob.area >= PIECE_PX && blob.peak >= PIECE_PEAK * core && !pieces.some((piece) => inside(piece, blob)),
  );
  const flaws = joined(
    joined(pieces)
      .filter(({ odds }) => odds >= BOX_ODDS)
      .map((flaw) => whole(flaw, faint)),
    EDGE_PX,
  );
  const fainter = joined(
    standing.filter((one) => one.odds >= FAINTEST_ODDS && one.odds < BOX_ODDS && !flaws.some((flaw) => overlaps(flaw, one))),
  );
  const ranked = (all: readonly Judged[], most: number): Found[] =>
    all
      .filter(({ x0, x1, y0, y1 }) => Math.max(x1 - x0, y1 - y0) + 1 >= LEAST_SIDE_PX)
      .map((one) => boxOf(one, look.b.cols, look.b.rows))
      .sort((p, q) => q.strength - p.strength)
      .slice(0, most);
  return { boxes: ranked(flaws, MOST_BOXES), fainter: ranked(fainter, MOST_FAINTER) };
};
