import type { HullFigures } from './hull';
import { ahead, liesAlong, otherSide, type Place, type Point, type Side, signOf, turnOf, widthOf } from './place';
import type { Line, LineName } from './plan';

/** What stands round a place: walls she can touch, where the water gets shallow, and where she lies. */

export type Hard = { is: 'dock' | 'bank' | 'wall' | 'gate' | 'boat'; /** Convex, in order round. */ outline: readonly Point[] };
export type Shore = {
  /** A point of the waterline. */ at: Point;
  /** Towards deep water, degrees true. */ outDeg: number;
  /** Depth gained by metre. */ slope: number;
};
export type Scene = {
  /** Where her middle lies in the end, and how she points. */
  lyingDeg: number;
  hard: readonly Hard[];
  shore?: Shore;
};

/** Open water between her side and what she lies at: a fender thick, m. */
export const GAP_M = 0.15;
/** A beach that boats are run onto, and the ledge at a bank. */
const BEACH_SLOPE = 0.12;
const BANK_SLOPE = 0.6;
const BEHIND_M = 3;

const MIDDLE: Point = [0, 0];

/**
 * Everything round a berth, in metres north and east of where her middle lies.
 * @param turned whether she lies the other way round than the berth is drawn @param side the dock’s side of hers, lying so
 */
export const sceneOf = (berth: Place, hull: HullFigures, turned: boolean, side: Side | undefined): Scene => {
  const lyingDeg = turnOf((berth.headingDeg ?? 0) + (turned ? 180 : 0));
  const { lengthM: L, beamM: B } = hull;
  const at = (aheadM: number, starboardM: number): Point => ahead(MIDDLE, lyingDeg, aheadM, starboardM);
  const box = (is: Hard['is'], from: number, to: number, left: number, right: number): Hard => ({
    is,
    outline: [at(from, left), at(to, left), at(to, right), at(from, right)],
  });
  if (liesAlong(berth)) {
    const s = signOf(side ?? 'starboard');
    const near = s * (B / 2 + GAP_M);
    const across = (from: number, to: number, out: number): [number, number, number, number] =>
      s > 0 ? [from, to, near, near + out] : [from, to, near - out, near];
    if (berth.kind === 'alongside') return { lyingDeg, hard: [box('dock', ...across(-1.1 * L, 1.1 * L, 2.4))] };
    if (berth.kind === 'bank')
      return {
        lyingDeg,
        hard: [box('bank', ...across(-3 * L, 3 * L, BEHIND_M * 2))],
        shore: { at: at(0, near), outDeg: turnOf(lyingDeg - 90 * s), slope: BANK_SLOPE },
      };
    // A lock: a wall on both sides, the lower gates open behind her, the upper ones shut before her.
    const far = near - s * Math.max(widthOf(berth, hull).widthM, B + 2 * GAP_M);
    const [left, right] = [Math.min(near, far), Math.max(near, far)];
    const [aft, fore] = [-L / 2 - 4, L / 2 + 3];
    return {
      lyingDeg,
      hard: [
        box('wall', aft, fore + 2, left - 2.4, left),
        box('wall', aft, fore + 2, right, right + 2.4),
        box('gate', fore, fore + 0.8, left, right),
      ],
    };
  }
  const half = widthOf(berth, hull).widthM / 2;
  switch (berth.kind) {
    case 'beach':
      // Her bow rests on the bottom, the rest of her floats.
      return {
        lyingDeg,
        hard: [],
        shore: { at: at(L / 2 + (hull.draftM * BOW_DRAFT) / BEACH_SLOPE, 0), outDeg: turnOf(lyingDeg + 180), slope: BEACH_SLOPE },
      };
    case 'crowdedDock':
      return {
        lyingDeg,
        hard: [
          box('dock', L / 2 + 0.6, L / 2 + 3, -2.6 * B - half, 2.6 * B + half),
          box('boat', -L / 2, L / 2, -half - B, -half),
          box('boat', -L / 2, L / 2, half, half + B),
        ],
      };
    default: {
      const mouth = berth.kind === 'lift' ? -0.15 * L : -L / 2 - 0.1 * L;
      return {
        lyingDeg,
        hard: [
          box('dock', mouth, L / 2 + 0.8, -half - 0.9, -half),
          box('dock', mouth, L / 2 + 0.8, half, half + 0.9),
          box('dock', L / 2 + 0.5, L / 2 + 2.6, -half - 4, half + 4),
        ],
      };
    }
  }
};

/** How deep the bow lies, against the deepest of her: bows of boats that are beached rise. */
export const BOW_DRAFT = 0.6;

/** Her outline from above, ahead and to starboard of her middle as shares of length and half beam: convex, in order round. */
export const OUTLINE: readonly Point[] = [
  [0.5, 0],
  [0.44, 0.45],
  [0.28, 0.85],
  [0.05, 1],
  [-0.4, 1],
  [-0.5, 0.88],
  [-0.5, -0.88],
  [-0.4, -1],
  [0.05, -1],
  [0.28, -0.85],
  [0.44, -0.45],
];

/** Where a line is made fast aboard and ashore, as it lies with her in her place. */
export const lineOf = (
  line: LineName,
  why: Line['why'],
  berth: Place,
  hull: HullFigures,
  lyingDeg: number,
  side: Side | undefined,
  windward: Side,
): Line => {
  const { lengthM: L, beamM: B } = hull;
  const at = (aheadM: number, starboardM: number): Point => ahead(MIDDLE, lyingDeg, aheadM, starboardM);
  const give = (from: Point, to: Point): Line => ({ line, why, from: at(...from), to: at(...to) });
  const s = signOf(side ?? windward);
  if (liesAlong(berth)) {
    // Along a wall or dock: the cleat at her side, a ring or pin a fender’s width off it.
    const near = s * (B / 2 + GAP_M + 0.35);
    const hers = (s * B) / 2;
    switch (line) {
      case 'stern':
        return give([-0.45 * L, hers * 0.9], [-0.72 * L, near]);
      case 'midship':
        return give([0, hers], [0.04 * L, near]);
      case 'bowSpring':
        return give([0.36 * L, hers * 0.7], [-0.15 * L, near]);
      case 'sternSpring':
        return give([-0.4 * L, hers], [0.15 * L, near]);
      default:
        return give([0.44 * L, hers * 0.45], [0.72 * L, near]);
    }
  }
  const of = signOf(
    line === 'bowPort' ? 'port' : line === 'bowStarboard' ? 'starboard' : line === 'leeward' ? otherSide(windward) : windward,
  );
  if (line === 'sternAnchor') return give([-0.5 * L, 0], [-3.5 * L, 0]);
  if (berth.kind === 'beach') return give([-0.45 * L, (of * B) / 2], [L / 2 + 2, of * (B / 2 + 0.8 * L)]);
  if (berth.kind === 'crowdedDock') return give([0.44 * L, of * 0.22 * B], [L / 2 + 0.9, of * 0.7 * B]);
  const half = widthOf(berth, hull).widthM / 2;
  return line === 'stern'
    ? give([-0.46 * L, (s * B) / 2], [-0.4 * L, s * (half + 0.4)])
    : give([0.4 * L, of * 0.25 * B], [0.46 * L, of * (half + 0.4)]);
};
