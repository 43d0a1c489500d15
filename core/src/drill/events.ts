import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { id } from '../events/parts';

/** Looked on, with hints, alone; or shown on the boat to somebody of the staff. */
export const DRILL_WAYS = ['shown', 'hints', 'own', 'onBoat'] as const;
export type DrillWay = (typeof DRILL_WAYS)[number];

/** A drill gone through to its goals, on the panel or on the boat herself, with the mistakes made on the way. */
export const drillDone = defineEvent('drillDone', {
  body: {
    drill: id,
    how: z.enum(DRILL_WAYS),
    variant: z.optional(id),
    by: z.enum(['driver', 'lookout']),
    /** Lessons that were mistakes, in the order they were made. */
    mistakes: z.array(id).check(z.maxLength(60)),
    seconds: z.int().check(z.gte(0), z.lte(86_400)),
  },
  subject: ({ drill }) => ['drill', drill],
  merge: 'collect',
  onSwap: ({ drill }) => `drill/${drill}`,
  // What was shown on the boat is somebody's word who stood beside.
  addedBy: ({ how }) => (how === 'onBoat' ? ['hand', 'manager'] : ['hand', 'manager', 'renter']),
});
