import type { Xy } from '../geometry/plane';
import { areaOf, boxOf } from '../geometry/rings';
import { type Sheet, sheetOf } from './sheet';
import type { Feature, Waters } from './zone';

/** What is wrong with a feature of a sheet beside its shape: each can be found and mended by its id. */
export type WatersFault = {
  feature: string;
  is: 'crossesItself' | 'noArea' | 'idTwice' | 'farAway' | 'tooManyCorners';
  /** Where it crosses, or how many corners there are. */
  at?: readonly [number, number] | undefined;
};

/** Corners of all features of one sheet together: what a phone still draws smoothly. */
export const MOST_CORNERS_IN_ALL = 20_000;
/** A feature farther than this from the middle of the others is in another reference system, or on another water, m. */
const FAR_M = 300_000;
/** Smaller than this nothing is, m². */
const LEAST_M2 = 1;

const cornersOf = ({ geometry }: Feature): number =>
  geometry.type === 'Point'
    ? 1
    : geometry.type === 'LineString'
      ? geometry.coordinates.length
      : geometry.coordinates.reduce((sum, ring) => sum + ring.length, 0);

const side = ([ax, ay]: Xy, [bx, by]: Xy, [px, py]: Xy): number => Math.sign((bx - ax) * (py - ay) - (by - ay) * (px - ax));

/**
 * The first place at which edges of a polygon cross that are no neighbours, by sweeping from west to east: only edges that lie
 * over the same stretch are compared. Rings that touch in a corner do not cross.
 */
const crossing = (polygon: readonly (readonly Xy[])[]): Xy | undefined => {
  const edges = polygon.flatMap((ring, r) =>
    ring.slice(1).map((b, i) => {
      const a = ring[i]!;
      return {
        a,
        b,
        minX: Math.min(a[0], b[0]),
        maxX: Math.max(a[0], b[0]),
        minY: Math.min(a[1], b[1]),
        maxY: Math.max(a[1], b[1]),
        ring: r,
        i,
      };
    }),
  );
  edges.sort((p, q) => p.minX - q.minX);
  let open: typeof edges = [];
  for (const edge of edges) {
    open = open.filter(({ maxX }) => maxX >= edge.minX);
    for (const other of open) {
      if (other.maxY < edge.minY || other.minY > edge.maxY) continue;
      const apart =
        side(edge.a, edge.b, other.a) * side(edge.a, edge.b, other.b) < 0 &&
        side(other.a, other.b, edge.a) * side(other.a, other.b, edge.b) < 0;
      if (apart) return [Math.max(edge.minX, other.minX), Math.max(edge.minY, other.minY)];
    }
    open.push(edge);
  }
  return undefined;
};

/** Everything wrong with a sheet that its schema does not see. Bounded: of a sheet with too many corners nothing else is looked at. */
export const watersFaults = ({ features }: Pick<Waters, 'features'>): WatersFault[] => {
  const all = features.reduce((sum, feature) => sum + cornersOf(feature), 0);
  const largest = [...features].sort((a, b) => cornersOf(b) - cornersOf(a))[0];
  if (all > MOST_CORNERS_IN_ALL && largest) return [{ feature: largest.id, is: 'tooManyCorners', at: [cornersOf(largest), all] }];
  const found: WatersFault[] = [];
  const seen = new Set<string>();
  for (const { id } of features) {
    if (seen.has(id)) found.push({ feature: id, is: 'idTwice' });
    seen.add(id);
  }
  const sheet: Sheet | undefined = sheetOf({ features });
  if (!sheet) return found;
  // The middle of most: one feature on the other side of the world does not move it.
  const middles = [...sheet.water, ...sheet.zones]
    .map(({ feature, box }) => ({ feature, at: [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2] as Xy }))
    .concat(sheet.spots.map(({ feature, at }) => ({ feature, at })))
    .concat(
      sheet.lines.map(({ feature, line }) => {
        const { minX, minY, maxX, maxY } = boxOf(line);
        return { feature, at: [(minX + maxX) / 2, (minY + maxY) / 2] as Xy };
      }),
    );
  const median = (axis: 0 | 1): number => middles.map(({ at }) => at[axis]).sort((a, b) => a - b)[Math.floor(middles.length / 2)] ?? 0;
  const [mx, my] = [median(0), median(1)];
  for (const { feature, at } of middles) if (Math.hypot(at[0] - mx, at[1] - my) > FAR_M) found.push({ feature: feature.id, is: 'farAway' });
  for (const { feature, polygon } of [...sheet.water, ...sheet.zones]) {
    const at = crossing(polygon);
    if (at) found.push({ feature: feature.id, is: 'crossesItself', at: sheet.plane.toLonLat(at) });
    else if (areaOf(polygon.slice(0, 1)) < LEAST_M2) found.push({ feature: feature.id, is: 'noArea' });
  }
  return found;
};
