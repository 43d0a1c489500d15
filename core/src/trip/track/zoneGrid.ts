import { type Box, boxOf, distanceToEdge, distanceToLines, isWithin, type Polygon } from '../../geometry/rings';
import type { Xy } from '../../geometry/plane';

/**
 * Which of many zones a place lies in, for a great many places. The water is cut into squares, and these again, as far as a
 * zone's edge goes through them: what lies wholly in or out of a zone is judged once, and a square knows which stretches of
 * a shore can be the nearest to anything in it.
 */

/** A zone by its rings, or by a ring of so many metres round a place; some hold only near the shore. */
export type GridZone = { polygon: Polygon; nearShoreM?: number | undefined } | { at: Xy; radiusM: number };

type Stretch = readonly [Xy, Xy];
type Square = {
  x: number;
  y: number;
  /** Half of its side. */
  half: number;
  /** Zones all of the square lies in, and those of them whose edge is farther than the margin from all of it. */
  all: readonly number[];
  sure: ReadonlySet<number>;
  /** Zones whose edge, or whose line along the shore, goes through the square or near it. */
  some: readonly number[];
  shore: readonly Stretch[];
  /** Its four quarters; none where there is nothing to tell apart, or it is small enough. */
  quarters: (Square | undefined)[] | undefined;
};

/** Squares are halved so often: a lake of twelve kilometres comes down to a dozen metres. */
const DEEPEST = 10;
const NONE: readonly number[] = [];

const toEdge = (zone: GridZone, at: Xy): { inside: boolean; edgeM: number } => {
  if ('at' in zone) {
    const away = Math.hypot(at[0] - zone.at[0], at[1] - zone.at[1]);
    return { inside: away <= zone.radiusM, edgeM: Math.abs(away - zone.radiusM) };
  }
  return { inside: isWithin(zone.polygon, at), edgeM: distanceToLines(zone.polygon, at) };
};
const boxAround = (zone: GridZone): Box => {
  if ('polygon' in zone) return boxOf(zone.polygon.flat());
  const [x, y] = zone.at;
  return { minX: x - zone.radiusM, maxX: x + zone.radiusM, minY: y - zone.radiusM, maxY: y + zone.radiusM };
};
const nearShoreOf = (zone: GridZone): number | undefined => ('polygon' in zone ? zone.nearShoreM : undefined);
const nearest = (stretches: readonly Stretch[], at: Xy): number => {
  let best = Infinity;
  for (const [a, b] of stretches) best = Math.min(best, distanceToEdge(at, a, b));
  return best;
};

/**
 * @param shore rings of the water, to tell how far from the shore a place is
 * @param marginM a place surely lies in a zone when the zone's edge is at least so far away
 */
export const zoneGrid = (zones: readonly GridZone[], shore: readonly Polygon[], marginM: number) => {
  const boxes = zones.map(boxAround);
  const whole = boxOf(boxes.flatMap(({ minX, minY, maxX, maxY }): Xy[] => [[minX, minY], [maxX, maxY]])); // prettier-ignore
  const stretches = shore.flatMap((polygon) => polygon.flatMap((ring) => ring.slice(1).map((to, i): Stretch => [ring[i]!, to])));

  /** @param all and those of them that are sure: what is known of the square that it is a quarter of */
  const judge = (x: number, y: number, half: number, depth: number, of: Pick<Square, 'all' | 'sure' | 'some' | 'shore'>): Square => {
    const middle: Xy = [x, y];
    const corner = half * Math.SQRT2;
    const shoreM = nearest(of.shore, middle);
    // Nearer to anything in the square than those no other stretch can be.
    const mine = Number.isFinite(shoreM) ? of.shore.filter(([a, b]) => distanceToEdge(middle, a, b) <= shoreM + 2 * corner) : of.shore;
    const [all, sure, some] = [[...of.all], new Set(of.sure), [] as number[]];
    for (const i of of.some) {
      const zone = zones[i]!;
      const { minX, minY, maxX, maxY } = boxes[i]!;
      if (x < minX - half || x > maxX + half || y < minY - half || y > maxY + half) continue;
      const near = nearShoreOf(zone);
      if (near !== undefined && shoreM - corner > near) continue;
      const { inside, edgeM } = toEdge(zone, middle);
      if (edgeM >= corner && !inside) continue;
      const whole = edgeM >= corner && (near === undefined || shoreM + corner <= near);
      const beyondDoubt = edgeM - corner >= marginM && (near === undefined || shoreM + corner + marginM <= near);
      if (!whole || (!beyondDoubt && depth < DEEPEST)) some.push(i);
      else all.push(i);
      if (whole && beyondDoubt) sure.add(i);
    }
    return { x, y, half, all, sure, some, shore: mine, quarters: some.length > 0 && depth < DEEPEST ? new Array<undefined>(4) : undefined };
  };
  const side = Math.max(1, whole.maxX - whole.minX, whole.maxY - whole.minY);
  const root = judge((whole.minX + whole.maxX) / 2, (whole.minY + whole.maxY) / 2, side / 2, 0, {
    all: [],
    sure: new Set(),
    some: zones.map((_, i) => i),
    shore: stretches,
  });
  const isIn = ({ x, y, half }: Square, at: Xy): boolean => Math.abs(at[0] - x) <= half && Math.abs(at[1] - y) <= half;
  // One fix lies near the other.
  let last = root;
  const squareOf = (at: Xy): Square | undefined => {
    if (last !== root && isIn(last, at)) return last;
    if (!isIn(root, at)) return undefined;
    let square = root;
    for (let depth = 1; square.quarters; depth += 1) {
      const [right, up] = [at[0] > square.x, at[1] > square.y];
      const quarter = (right ? 1 : 0) + (up ? 2 : 0);
      let next = square.quarters[quarter];
      if (!next) {
        const half = square.half / 2;
        next = judge(square.x + (right ? half : -half), square.y + (up ? half : -half), half, depth, square);
        square.quarters[quarter] = next;
      }
      square = next;
    }
    last = square;
    return square;
  };
  const holds = (i: number, at: Xy, square: Square): boolean => {
    const zone = zones[i]!;
    const near = nearShoreOf(zone);
    if (near !== undefined && nearest(square.shore, at) > near) return false;
    return 'at' in zone ? toEdge(zone, at).inside : isWithin(zone.polygon, at);
  };
  return {
    /** Zones that a place lies in, by their number. */
    at: (place: Xy): readonly number[] => {
      const square = squareOf(place);
      if (!square) return NONE;
      if (square.some.length === 0) return square.all;
      return [...square.all, ...square.some.filter((i) => holds(i, place, square))];
    },
    /** Whether a place that lies in a zone does so however far off it may be, within the margin. */
    isSure: (i: number, place: Xy): boolean => {
      const square = squareOf(place);
      if (!square) return false;
      if (square.sure.has(i)) return true;
      const zone = zones[i]!;
      const near = nearShoreOf(zone);
      if (near !== undefined && nearest(square.shore, place) + marginM > near) return false;
      const { inside, edgeM } = toEdge(zone, place);
      return inside && edgeM >= marginM;
    },
  };
};
