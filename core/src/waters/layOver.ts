import equal from 'fast-deep-equal';
import * as z from 'zod/mini';
import { idOf } from '../fleet/edit';
import { Feature, type Waters, type ZoneKind } from './zone';

/** A file of GeoJSON laid over a sheet of water: what is there stays, what has the same id is replaced, the rest is added. */

export type LayFault = {
  /** The feature's own name where it has one, otherwise its number in the file. */
  feature: string;
  is: 'noKind' | 'otherReference' | 'empty' | 'noShape' | 'idTwice' | 'doesNotFit';
  /** Where it does not fit. */
  at?: string;
};
export type Laid = { waters: Waters; added: Feature[]; changed: Feature[]; same: number; faults: LayFault[] };
export type NoFile = 'notJson' | 'notGeoJson' | 'otherReference' | 'tooLarge' | 'tooMany';

/** Letters of a file; a shoreline with all its zones is a tenth of that. */
export const MOST_LETTERS = 8_000_000;
const MOST_IN_FILE = 1_000;
const File = z.object({
  type: z.literal('FeatureCollection'),
  crs: z.optional(z.unknown()),
  features: z.array(z.unknown()).check(z.maxLength(MOST_IN_FILE)),
});
/** What old files call longitudes and latitudes of WGS 84; whatever else they name is another reference system. */
const WGS84 = /CRS:?84|EPSG:{1,2}4326/i;

const Given = z.object({
  id: z.optional(z.union([z.string(), z.number()])),
  properties: z.nullish(z.record(z.string(), z.unknown())),
  geometry: z.nullish(z.object({ type: z.string(), coordinates: z.optional(z.unknown()) })),
});

const text = (value: unknown): string | undefined =>
  typeof value === 'string' && value.trim() !== '' ? value.trim().slice(0, 120) : undefined;
/** Places without their heights. Bounded: nothing of a sheet is deeper than four lists. */
const flat = (value: unknown, depth = 0): unknown => {
  if (!Array.isArray(value) || depth > 4) return value;
  if (typeof value[0] === 'number') return value.slice(0, 2);
  return value.map((one) => flat(one, depth + 1));
};
const firstPlace = (value: unknown): readonly unknown[] | undefined =>
  Array.isArray(value) ? (typeof value[0] === 'number' ? value : firstPlace(value[0])) : undefined;
const isDegrees = ([lon, lat]: readonly unknown[]): boolean =>
  typeof lon === 'number' && typeof lat === 'number' && Math.abs(lon) <= 180 && Math.abs(lat) <= 90;

/** The parts of a shape that this program knows: each of several polygons or lines or places becomes a feature of its own. */
const partsOf = (type: string, coordinates: unknown): { type: string; coordinates: unknown }[] => {
  const several = /^Multi(Polygon|LineString|Point)$/.exec(type)?.[1];
  if (several === undefined) return [{ type, coordinates }];
  return Array.isArray(coordinates) ? coordinates.map((one: unknown) => ({ type: several, coordinates: one })) : [];
};

/**
 * @param content of the file @param kind what features are that do not say so themselves; none: they are told as faults
 * @returns the sheet as it would be, and what is different; or why this is no such file
 */
export const layOver = (waters: Waters, content: string, kind: ZoneKind | undefined): Laid | NoFile => {
  if (content.length > MOST_LETTERS) return 'tooLarge';
  let json: unknown;
  try {
    json = JSON.parse(content);
  } catch {
    return 'notJson';
  }
  const file = z.safeParse(File, json);
  if (!file.success) return file.error.issues.some(({ code }) => code === 'too_big') ? 'tooMany' : 'notGeoJson';
  if (file.data.crs !== undefined && !WGS84.test(JSON.stringify(file.data.crs))) return 'otherReference';
  const faults: LayFault[] = [];
  const read: Feature[] = [];
  const taken = new Set<string>();
  const keep = (feature: Feature) => {
    taken.add(feature.id);
    read.push(feature);
  };
  file.data.features.forEach((one, i) => {
    const own = z.safeParse(Feature, one);
    if (own.success) {
      // The second would take the place of the first, and nobody would see it.
      if (taken.has(own.data.id)) faults.push({ feature: own.data.properties.name, is: 'idTwice' });
      else keep(own.data);
      return;
    }
    const given = z.safeParse(Given, one);
    const properties = given.success ? (given.data.properties ?? {}) : {};
    const name = text(properties.name) ?? text(properties.Name) ?? text(properties.NAME) ?? `${i + 1}`;
    const no = (is: LayFault['is'], at?: string) => faults.push({ feature: name, is, ...(at === undefined ? {} : { at }) });
    if (!given.success || !given.data.geometry) return void no('noShape');
    const { type, coordinates } = given.data.geometry;
    const place = firstPlace(coordinates);
    if (!place) return void no('empty');
    if (!isDegrees(place)) return void no('otherReference');
    const said = properties.kind ?? kind;
    if (said === undefined) return void no('noKind');
    const stem = String(given.data.id ?? name);
    const parts = partsOf(type, flat(coordinates));
    parts.forEach((geometry, n) => {
      const feature = z.safeParse(Feature, {
        type: 'Feature',
        // Those of one name in a file are told apart by their order: brought again, each finds its own.
        id: idOf(parts.length > 1 ? `${stem} ${n + 1}` : stem, [...taken]),
        properties: { ...properties, kind: said, name: parts.length > 1 ? `${name} ${n + 1}` : name },
        geometry,
      });
      if (feature.success) keep(feature.data);
      else no('doesNotFit', feature.error.issues[0]?.path.join('.') ?? '');
    });
  });
  const there = new Map(waters.features.map((feature) => [feature.id, feature]));
  const [added, changed]: [Feature[], Feature[]] = [[], []];
  let same = 0;
  for (const feature of read) {
    const before = there.get(feature.id);
    if (!before) added.push(feature);
    else if (equal(before, feature)) same += 1;
    else changed.push(feature);
    there.set(feature.id, feature);
  }
  return { waters: { ...waters, features: [...there.values()] }, added, changed, same, faults };
};
