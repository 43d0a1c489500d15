import * as z from 'zod/mini';
import { BookId } from '../fleet/book';

export const ZONE_KINDS = ['shore', 'slow', 'noWake', 'swimOnly', 'towOnly', 'forbidden', 'hazard', 'channel', 'lock', 'landmark'] as const;
const Position = z.tuple([z.number().check(z.gte(-180), z.lte(180)), z.number().check(z.gte(-90), z.lte(90))]);
const Ring = z.array(Position).check(z.minLength(4));

/** GeoJSON (RFC 7946) of one stretch of water; each feature says what it is and its figures. */
export const Waters = z.object({
  type: z.literal('FeatureCollection'),
  id: BookId,
  name: z.string(),
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
