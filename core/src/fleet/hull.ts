import * as z from 'zod/mini';
import { HULL_RANGES, TRIAL_MOST } from './hullRanges';

const tried = (field: keyof typeof TRIAL_MOST) => z.number().check(z.gt(0), z.lte(TRIAL_MOST[field]));
/** What was tried on the water, in calm and slack water unless said; speeds through the water, m/s. */
export const Trial = z.discriminatedUnion('is', [
  /** Full astern until she stands: how long and how far, either or both. */
  z
    .object({
      is: z.literal('stop'),
      fromMs: tried('fromMs'),
      seconds: z.optional(tried('seconds')),
      metres: z.optional(tried('metres')),
    })
    .check(z.refine(({ seconds, metres }) => seconds !== undefined || metres !== undefined, 'needs seconds or metres')),
  /** In neutral from one speed to another. */
  z
    .object({
      is: z.literal('coast'),
      fromMs: tried('fromMs'),
      toMs: tried('toMs'),
      seconds: tried('seconds'),
    })
    .check(z.refine(({ fromMs, toMs }) => toMs < fromMs, 'ends faster than it began')),
  /** Full ahead, when she gains no more. */
  z.object({ is: z.literal('full'), reachedMs: tried('reachedMs') }),
  /** Left lying across a wind: how fast she is set. */
  z.object({
    is: z.literal('drift'),
    windMs: tried('windMs'),
    setMs: tried('setMs'),
  }),
]);
export type Trial = z.infer<typeof Trial>;

const measured = (field: keyof typeof HULL_RANGES) =>
  z.optional(z.number().check(z.gte(HULL_RANGES[field][0]), z.lte(HULL_RANGES[field][1])));
/**
 * What a hull does in wind and water, as measured on her or given by her maker; what is not known is estimated from her
 * kind and size. Areas m², forces N, seconds.
 */
export const Hull = z.object({
  massKg: measured('massKg'),
  draftM: measured('draftM'),
  /** Side areas: above the water, and below it. */
  airAreaM2: measured('airAreaM2'),
  lateralAreaM2: measured('lateralAreaM2'),
  /** Drag along: N at 1 m/s through the water; it grows with the square. */
  dragK: measured('dragK'),
  thrustAheadN: measured('thrustAheadN'),
  thrustAsternN: measured('thrustAsternN'),
  /** From the lever to the thrust. */
  delayS: measured('delayS'),
  /** How she is steered: a rudder behind a fixed propeller, or the drive itself. */
  steers: z.optional(z.enum(['rudder', 'drive'])),
  tiller: z.optional(z.boolean()),
  /** Where the stern walks going astern; nowhere with two engines that turn against each other. */
  walks: z.optional(z.enum(['port', 'starboard', 'none'])),
  thrusterN: measured('thrusterN'),
  /** What the figures above were measured by, or are to be fitted to. */
  trials: z.optional(z.array(Trial).check(z.maxLength(60))),
});
export type Hull = z.infer<typeof Hull>;
