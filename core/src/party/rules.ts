import * as z from 'zod/mini';
import { Day } from '../time/calendar';
import { BookId, Wording } from '../words/words';
import { BOAT_STATES } from '../fleet/places';
import { SWIMS } from './people';

/**
 * A set of rules about jackets, drivers and lookouts. Places and policies differ, so the rules are data: an operator has
 * as many sets as there are, and each stretch of water names the one that holds on it. Local law comes first.
 */

const age = z.int().check(z.gte(0), z.lte(99));
const newtons = z.union([z.literal(50), z.literal(100), z.literal(150), z.literal(275)]);

export const WearRule = z.object({
  who: z.union([
    z.literal('everyone'),
    z.object({ underAge: age }),
    z.object({ swims: z.array(z.enum(SWIMS)).check(z.minLength(1)) }),
    z.literal('towed'),
  ]),
  when: z.array(z.enum(BOAT_STATES)).check(z.minLength(1)),
});
export type WearRule = z.infer<typeof WearRule>;

export const RuleSet = z.object({
  format: z.literal('quay-rules/1'),
  id: BookId,
  name: Wording,
  /** The policy in a sentence, as the renter is told it. */
  about: Wording,
  /** Below this age somebody counts as a child. */
  childUnder: age,
  wear: z.array(WearRule),
  /** Least buoyancy class, by how somebody swims, for children, and for people towed. */
  newtons: z.object({ well: newtons, weakly: newtons, not: newtons, child: newtons, towed: newtons }),
  /** From when on inflating jackets are allowed, and for whom those that wait for a pull. */
  selfInflating: z.object({ fromAge: age, fromKg: z.number().check(z.gte(0)) }),
  handInflating: z.object({ fromAge: age, swims: z.array(z.enum(SWIMS)) }),
  driver: z.object({ fromAge: age, licence: z.boolean() }),
  lookout: z.object({ needed: z.boolean(), fromAge: age }),
  /** Where it comes from, who held it against that last, and when. */
  source: z.optional(
    z.object({
      from: z.string().check(z.minLength(1), z.maxLength(300)),
      checkedBy: z.optional(z.string().check(z.maxLength(80))),
      checkedOn: z.optional(Day),
    }),
  ),
});
export type RuleSet = z.infer<typeof RuleSet>;
