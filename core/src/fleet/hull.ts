import * as z from 'zod/mini';

/** What was tried on the water, in calm and slack water unless said; speeds through the water, m/s. */
export const Trial = z.discriminatedUnion('is', [
  /** Full astern until she stands: how long and how far, either or both. */
  z
    .object({
      is: z.literal('stop'),
      fromMs: z.number().check(z.gt(0), z.lte(10)),
      seconds: z.optional(z.number().check(z.gt(0), z.lte(600))),
      metres: z.optional(z.number().check(z.gt(0), z.lte(1000))),
    })
    .check(z.refine(({ seconds, metres }) => seconds !== undefined || metres !== undefined, 'needs seconds or metres')),
  /** In neutral from one speed to another. */
  z
    .object({
      is: z.literal('coast'),
      fromMs: z.number().check(z.gt(0), z.lte(10)),
      toMs: z.number().check(z.gt(0), z.lte(10)),
      seconds: z.number().check(z.gt(0), z.lte(600)),
    })
    .check(z.refine(({ fromMs, toMs }) => toMs < fromMs, 'ends faster than it began')),
  /** Full ahead, when she gains no more. */
  z.object({ is: z.literal('full'), reachedMs: z.number().check(z.gt(0), z.lte(30)) }),
  /** Left lying across a wind: how fast she is set. */
  z.object({
    is: z.literal('drift'),
    windMs: z.number().check(z.gt(0), z.lte(30)),
    setMs: z.number().check(z.gt(0), z.lte(5)),
  }),
]);
export type Trial = z.infer<typeof Trial>;

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
  /** What the figures above were measured by, or are to be fitted to. */
  trials: z.optional(z.array(Trial).check(z.maxLength(60))),
});
export type Hull = z.infer<typeof Hull>;
