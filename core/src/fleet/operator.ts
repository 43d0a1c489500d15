import * as z from 'zod/mini';
import { Schools } from './schools';
import { GeneralPoint } from './telling';

/** How an operator hands over: settings that every base and boat of theirs begins from. */
export const Handing = z.object({
  phone: z.optional(z.string().check(z.maxLength(40))),
  schools: z._default(Schools, {}),
  /** Minutes there usually are for telling. */
  briefingMinutes: z._default(z.int().check(z.gte(1), z.lte(180)), 20),
  /** Whose understanding is asked for. */
  understandingBy: z._default(z.array(z.enum(['driver', 'lookout'])).check(z.minLength(1)), ['driver']),
  /** Whether showing a needed drill on the boat herself counts as having passed it. */
  demonstrationCounts: z._default(z.boolean(), true),
  points: z._default(z.array(GeneralPoint), []),
});
export type Handing = z.infer<typeof Handing>;
