import * as z from 'zod/mini';

const positive = z.optional(z.number().check(z.gt(0)));
/**
 * What a hull does in wind and water, as measured on her or given by her maker; what is not known is estimated from her
 * kind and size. Areas m², forces N, seconds.
 */
export const Hull = z.object({
  massKg: positive,
  draftM: positive,
  /** Side areas: above the water, and below it. */
  airAreaM2: positive,
  lateralAreaM2: positive,
  /** Drag along: N at 1 m/s through the water; it grows with the square. */
  dragK: positive,
  thrustAheadN: positive,
  thrustAsternN: positive,
  /** From the lever to the thrust. */
  delayS: z.optional(z.number().check(z.gte(0), z.lte(10))),
  /** How she is steered: a rudder behind a fixed propeller, or the drive itself. */
  steers: z.optional(z.enum(['rudder', 'drive'])),
  tiller: z.optional(z.boolean()),
  /** Where the stern walks going astern; nowhere with two engines that turn against each other. */
  walks: z.optional(z.enum(['port', 'starboard', 'none'])),
  thrusterN: positive,
});
export type Hull = z.infer<typeof Hull>;
