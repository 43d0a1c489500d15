import * as z from 'zod/mini';
import { MARK_KINDS } from '@quay/core/condition/marks';
import { HIRE_STATES } from '@quay/core/day/board';

export const MarkSpec = z.object({ surface: z.string(), x: z.number(), y: z.number(), kind: z.enum(MARK_KINDS), sizeMm: z.number() });

export const PlayFile = z.object({
  format: z.literal('quay-play/1'),
  about: z.string(),
  hires: z.array(
    z.object({
      hire: z.string(),
      by: z.string(),
      upTo: z.enum(HIRE_STATES),
      /** Stops completed, while she is still being walked. */
      stations: z.optional(z.int()),
      fuelOut: z.optional(z.number()),
      fuelIn: z.optional(z.number()),
      hours: z.optional(z.number()),
      late: z.optional(z.number()),
      /** Litres by the pump's meter with which the operator filled her to the brim at return. */
      brimL: z.optional(z.number()),
      missing: z.optional(z.record(z.string(), z.int())),
      /** Ways in which things were found at return, where not as they should be. */
      found: z.optional(z.record(z.string(), z.string())),
      newMark: z.optional(MarkSpec),
      /** Held before she is walked out; once she is out it is, unless said otherwise. */
      deposit: z.optional(z.boolean()),
    }),
  ),
});

export type Play = z.infer<typeof PlayFile>['hires'][number];
