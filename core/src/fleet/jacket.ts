import * as z from 'zod/mini';

export const JACKET_KINDS = ['foam', 'selfInflating', 'handInflating'] as const;
/** Buoyancy classes of ISO 12402, N. */
export const NEWTONS = [50, 100, 150, 275] as const;

/** What makes a line of equipment a jacket: whom it fits and what it carries. */
export const Jacket = z.object({
  kind: z.enum(JACKET_KINDS),
  fromKg: z.number().check(z.gte(0), z.lte(250)),
  toKg: z.number().check(z.gt(0), z.lte(250)),
  newtons: z.union([z.literal(50), z.literal(100), z.literal(150), z.literal(275)]),
});
export type Jacket = z.infer<typeof Jacket>;
