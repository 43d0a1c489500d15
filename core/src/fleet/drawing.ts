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

const isSpot = (value: unknown): boolean =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number' && Number.isFinite(one));

/** Whether strokes that are still being typed can be drawn: where schemas are at hand, they say more. */
export const canDraw = (strokes: unknown): strokes is Stroke[] =>
  Array.isArray(strokes) &&
  strokes.length > 0 &&
  strokes.every((stroke: unknown) => {
    const { draw, points, at, size, radius } = (stroke ?? {}) as Record<string, unknown>;
    if (draw === 'path') return Array.isArray(points) && points.length > 1 && points.every(isSpot);
    return isSpot(at) && ((draw === 'box' && isSpot(size)) || (draw === 'ring' && typeof radius === 'number' && radius > 0));
  });
