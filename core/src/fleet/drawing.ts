import * as z from 'zod/mini';

/** Positions on the plan are metres: x forward from the transom, y to starboard from the centre line. */
const metres = z.number().check(z.gte(-60), z.lte(60));
export const Spot = z.tuple([metres, metres]);
export type Spot = z.infer<typeof Spot>;

const tone = z.optional(z.enum(['hull', 'deck', 'seat', 'dark', 'glass', 'line']));

/** What the plan or a surface is drawn from. On a surface the numbers run from 0 to 1, right and down. */
export const Stroke = z.discriminatedUnion('draw', [
  z.object({ draw: z.literal('path'), points: z.array(Spot).check(z.minLength(2)), closed: z.optional(z.boolean()), tone }),
  z.object({ draw: z.literal('box'), at: Spot, size: Spot, tone }),
  z.object({ draw: z.literal('ring'), at: Spot, radius: z.number().check(z.gt(0)), tone }),
]);
export type Stroke = z.infer<typeof Stroke>;

export const Plan = z.object({
  lengthM: z.number().check(z.gt(1), z.lte(60)),
  beamM: z.number().check(z.gt(0.5), z.lte(12)),
  strokes: z.array(Stroke).check(z.minLength(1)),
});
export type Plan = z.infer<typeof Plan>;
