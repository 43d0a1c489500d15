import * as z from 'zod/mini';
import { Condition } from '../fleet/condition';
import { Policies } from '../policy/policies';
import { GeneralPoint } from '../fleet/points';
import { BookId, Wording } from '../words/words';
import { Clock, Day } from '../time/calendar';

/** What a feature can be: an extent with a rule, a line to keep to, or a place to find. */
export const ZONE_KINDS = [
  'shore',
  'slow',
  'noWake',
  'swimOnly',
  'towOnly',
  'forbidden',
  'oneWay',
  'depth',
  'hazard',
  'channel',
  'lock',
  'bridge',
  'landmark',
  'berth',
  'mooring',
  'cove',
  'turning',
  'fuel',
  'water',
  'pumpOut',
] as const;
export type ZoneKind = (typeof ZONE_KINDS)[number];
const Position = z.tuple([z.number().check(z.gte(-180), z.lte(180)), z.number().check(z.gte(-90), z.lte(90))]);
/** Corners of one ring or line; a shoreline of a large lake needs some thousand. */
const MOST_CORNERS = 10_000;
const Ring = z.array(Position).check(z.minLength(4), z.maxLength(MOST_CORNERS));
/** Features of one stretch of water. */
const MOST_FEATURES = 1_000;

export const WATERS_KINDS = ['lake', 'canal', 'river', 'tidal'] as const;

/** What holds on this water besides its zones: its rule of the road, its curfew, whom to call. Local law comes first. */
const about = {
  kind: z.optional(z.enum(WATERS_KINDS)),
  /** The set of rules about jackets and drivers that holds here. */
  rules: z.optional(BookId),
  policies: z.optional(Policies),
  /** Nobody under way from then on, local time, each evening. */
  curfew: z.optional(Clock),
  emergencyNumber: z.optional(z.string().check(z.maxLength(20))),
  rescue: z.optional(z.object({ name: z.string(), phone: z.optional(z.string()), channel: z.optional(z.string()) })),
  says: z.optional(z.array(z.object({ id: BookId, say: Wording, when: z.optional(Condition) }))),
  points: z.optional(z.array(GeneralPoint)),
};

const properties = z.object({
  kind: z.enum(ZONE_KINDS),
  name: z.string().check(z.minLength(1), z.maxLength(120)),
  limitKmh: z.optional(z.number().check(z.gt(0), z.lte(200))),
  /** Holds only nearer than this to the shore, m. */
  fromShoreM: z.optional(z.number().check(z.gt(0), z.lte(5_000))),
  /** Of a hazard: the ring to keep outside of, m. */
  radiusM: z.optional(z.number().check(z.gt(0), z.lte(5_000))),
  /** Of a depth area, a berth, a mooring: at lowest water, m. */
  depthM: z.optional(z.number().check(z.gte(-15), z.lte(1_000))),
  /** Of a one-way stretch: the way to go; of a berth: the way a boat lies. Degrees true. */
  directionDeg: z.optional(z.number().check(z.gte(0), z.lte(360))),
  /** When it can be had or passed, by the clocks of the base. */
  hours: z.optional(z.object({ from: Clock, to: Clock })),
  /** Of a lock, a bridge, a tap: the first and the last day on which it is shut altogether, by the calendar of the base. */
  shut: z.optional(
    z.object({ from: Day, to: Day }).check(z.refine(({ from, to }) => from <= to, { error: 'ends before it begins', path: ['to'] })),
  ),
  /** The winds a cove is sheltered from: degrees true the wind comes from, clockwise from the first to the second. */
  shelter: z.optional(z.tuple([z.number().check(z.gte(0), z.lte(360)), z.number().check(z.gte(0), z.lte(360))])),
  /** What to know there, for whoever comes. */
  say: z.optional(Wording),
  /** Where this comes from, and when somebody last looked whether it still holds. */
  source: z.optional(z.string().check(z.maxLength(200))),
  checked: z.optional(Day),
});

export const Feature = z.object({
  type: z.literal('Feature'),
  id: BookId,
  properties,
  geometry: z.discriminatedUnion('type', [
    z.object({ type: z.literal('Point'), coordinates: Position }),
    z.object({ type: z.literal('LineString'), coordinates: z.array(Position).check(z.minLength(2), z.maxLength(MOST_CORNERS)) }),
    z.object({ type: z.literal('Polygon'), coordinates: z.array(Ring).check(z.minLength(1), z.maxLength(200)) }),
  ]),
});
export type Feature = z.infer<typeof Feature>;

/** The limit of a feature over ground, m/s; nothing where it has none. */
export const zoneLimitMs = ({ properties: { limitKmh } }: Feature): number | undefined =>
  limitKmh === undefined ? undefined : limitKmh / 3.6;

/** GeoJSON (RFC 7946) of one stretch of water; each feature says what it is and its figures. */
export const Waters = z.object({
  type: z.literal('FeatureCollection'),
  id: BookId,
  name: z.string(),
  ...about,
  features: z.array(Feature).check(z.maxLength(MOST_FEATURES)),
});
export type Waters = z.infer<typeof Waters>;
