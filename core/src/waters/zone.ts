import * as z from 'zod/mini';
import { Condition } from '../fleet/condition';
import { Policies } from '../policy/policies';
import { GeneralPoint } from '../fleet/points';
import { BookId, Wording } from '../words/words';
import { Clock } from '../time/calendar';

const ZONE_KINDS = ['shore', 'slow', 'noWake', 'swimOnly', 'towOnly', 'forbidden', 'hazard', 'channel', 'lock', 'landmark'] as const;
const Position = z.tuple([z.number().check(z.gte(-180), z.lte(180)), z.number().check(z.gte(-90), z.lte(90))]);
const Ring = z.array(Position).check(z.minLength(4));

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

/** GeoJSON (RFC 7946) of one stretch of water; each feature says what it is and its figures. */
export const Waters = z.object({
  type: z.literal('FeatureCollection'),
  id: BookId,
  name: z.string(),
  ...about,
  features: z.array(
    z.object({
      type: z.literal('Feature'),
      id: BookId,
      properties: z.object({
        kind: z.enum(ZONE_KINDS),
        name: z.string(),
        limitKmh: z.optional(z.number().check(z.gt(0))),
        fromShoreM: z.optional(z.number().check(z.gt(0))),
      }),
      geometry: z.discriminatedUnion('type', [
        z.object({ type: z.literal('Point'), coordinates: Position }),
        z.object({ type: z.literal('LineString'), coordinates: z.array(Position).check(z.minLength(2)) }),
        z.object({ type: z.literal('Polygon'), coordinates: z.array(Ring).check(z.minLength(1)) }),
      ]),
    }),
  ),
});
export type Waters = z.infer<typeof Waters>;
