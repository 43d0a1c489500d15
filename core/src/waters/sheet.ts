import { boxOf, type Box, distanceToLines, isWithin, type Polygon } from '../geometry/rings';
import { type LonLat, type Plane, planeAt, type Xy } from '../geometry/plane';
import { zoneLimitMs, type Feature, type Waters } from './zone';

/** A stretch of water laid on a plane, to be computed with. */
export type Area = { feature: Feature; polygon: Polygon; box: Box };
export type Spot = { feature: Feature; at: Xy };
export type Line = { feature: Feature; line: readonly Xy[] };
export type Sheet = {
  plane: Plane;
  box: Box;
  /** Where there is water; nothing where nobody drew a shore. */
  water: readonly Area[];
  /** Everything else that has an extent: zones. */
  zones: readonly Area[];
  spots: readonly Spot[];
  lines: readonly Line[];
};

/** Keep this far off a hazard that nobody drew a ring round, m. */
export const USUAL_RING_M = 60;
/** Places that a boat is not taken into. */
export const CLOSED_KINDS: readonly Feature['properties']['kind'][] = ['swimOnly', 'towOnly', 'forbidden'];

const placesOf = ({ geometry }: Feature): readonly LonLat[] =>
  geometry.type === 'Point' ? [geometry.coordinates] : geometry.type === 'LineString' ? geometry.coordinates : geometry.coordinates.flat();

/** @returns nothing where the waters hold no feature at all */
export const sheetOf = ({ features }: Pick<Waters, 'features'>): Sheet | undefined => {
  const all = features.flatMap(placesOf);
  const first = all[0];
  if (!first) return undefined;
  // Taken round the first place, so that a sheet across the 180th meridian has a middle of its own.
  const rough = planeAt(first);
  const { minX, minY, maxX, maxY } = boxOf(all.map(rough.toXy));
  const plane = planeAt(rough.toLonLat([(minX + maxX) / 2, (minY + maxY) / 2]));
  const areas = features.flatMap((feature): Area[] => {
    if (feature.geometry.type !== 'Polygon') return [];
    const polygon = feature.geometry.coordinates.map((ring) => ring.map(plane.toXy));
    return [{ feature, polygon, box: boxOf(polygon.flat()) }];
  });
  return {
    plane,
    box: boxOf(all.map(plane.toXy)),
    water: areas.filter(({ feature }) => feature.properties.kind === 'shore'),
    zones: areas.filter(({ feature }) => feature.properties.kind !== 'shore'),
    spots: features.flatMap((feature) =>
      feature.geometry.type === 'Point' ? [{ feature, at: plane.toXy(feature.geometry.coordinates) }] : [],
    ),
    lines: features.flatMap((feature) =>
      feature.geometry.type === 'LineString' ? [{ feature, line: feature.geometry.coordinates.map(plane.toXy) }] : [],
    ),
  };
};

const inBox = ({ minX, minY, maxX, maxY }: Box, [x, y]: Xy): boolean => x >= minX && x <= maxX && y >= minY && y <= maxY;
const isInArea = ({ box, polygon }: Area, at: Xy): boolean => inBox(box, at) && isWithin(polygon, at);

export type Holds = {
  /** Nothing where no shore was drawn. */
  onWater: boolean | undefined;
  /** To the nearest shore, m; nothing where no shore was drawn. */
  fromShoreM: number | undefined;
  /** Zones that hold here, hazards whose ring reaches here, and waters along whose line one is. */
  here: Feature[];
  /** The strictest of their limits, m/s over ground. */
  limitMs: number | undefined;
  closed: boolean;
};

/** From a place to the nearest shore or hazard, m; nothing where neither was drawn. */
export const roomAt = ({ plane, water, spots }: Sheet, place: LonLat): number | undefined => {
  const at = plane.toXy(place);
  const shoreM = water.map(({ polygon }) => distanceToLines(polygon, at));
  const hazardM = spots
    .filter(({ feature }) => feature.properties.kind === 'hazard')
    .map(({ at: [x, y], feature }) => Math.max(0, Math.hypot(x - at[0], y - at[1]) - (feature.properties.radiusM ?? 0)));
  const nearest = Math.min(...shoreM, ...hazardM);
  return Number.isFinite(nearest) ? nearest : undefined;
};

/** So near a line of a channel one is in it, m. */
const IN_CHANNEL_M = 40;

/** What holds at a place on the water. */
export const holdsAt = ({ plane, water, zones, spots, lines }: Sheet, place: LonLat): Holds => {
  const at = plane.toXy(place);
  const fromShoreM =
    water.length === 0
      ? undefined
      : distanceToLines(
          water.flatMap(({ polygon }) => polygon),
          at,
        );
  const here = [
    ...zones
      .filter((zone) => isInArea(zone, at) && (fromShoreM ?? 0) <= (zone.feature.properties.fromShoreM ?? Infinity))
      .map(({ feature }) => feature),
    ...spots
      .filter(
        ({ feature, at: [x, y] }) =>
          feature.properties.kind === 'hazard' && Math.hypot(x - at[0], y - at[1]) <= (feature.properties.radiusM ?? USUAL_RING_M),
      )
      .map(({ feature }) => feature),
    ...lines.filter(({ line }) => distanceToLines([line], at) <= IN_CHANNEL_M).map(({ feature }) => feature),
  ];
  const limits = here.flatMap((feature) => zoneLimitMs(feature) ?? []);
  return {
    onWater: water.length === 0 ? undefined : water.some((area) => isInArea(area, at)),
    fromShoreM,
    here,
    limitMs: limits.length === 0 ? undefined : Math.min(...limits),
    closed: here.some(({ properties }) => CLOSED_KINDS.includes(properties.kind)),
  };
};

/** The least depth of what is drawn at a place, m at the lowest water; nothing where nobody sounded. @param of a place of the chart there */
export const depthAt = (sheet: Sheet, place: LonLat, of?: Feature): number | undefined => {
  const depths = [...holdsAt(sheet, place).here, ...(of ? [of] : [])].flatMap(({ properties: { depthM } }) => depthM ?? []);
  return depths.length > 0 ? Math.min(...depths) : undefined;
};
