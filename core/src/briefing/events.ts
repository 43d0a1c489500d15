import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { id, note, Walk } from '../events/parts';

const language = z.string().check(z.maxLength(8));

export const SKIP_REASONS = ['knowsTheBoat', 'noTime', 'notAboard', 'weather', 'other'] as const;

/** A point was told, at the place it is told at. */
export const pointBriefed = defineEvent('pointBriefed', {
  body: { walk: Walk, point: id, how: z.enum(['said', 'shown', 'read']), language },
  subject: ({ walk, point }) => [walk, 'point', point],
  merge: 'replace',
  onSwap: ({ point }) => `point/${point}`,
  addedBy: ['hand', 'manager', 'renterAlone'],
});

/** A point was left out, and why. */
export const pointSkipped = defineEvent('pointSkipped', {
  body: { walk: Walk, point: id, why: z.enum(SKIP_REASONS), note },
  subject: ({ walk, point }) => [walk, 'point', point],
  merge: 'replace',
  onSwap: ({ point }) => `point/${point}`,
  addedBy: ['hand', 'manager', 'renterAlone'],
});

/** Read or heard by the renter at home: it is no telling, and does not take its place. Nobody says it for them. */
export const pointRead = defineEvent('pointRead', {
  body: { point: id, how: z.enum(['read', 'heard']), language },
  subject: ({ point }) => ['home', point],
  merge: 'once',
  onSwap: ({ point }) => `point/${point}`,
  addedBy: ['renter'],
});

/** The minutes there are for telling, when they are not the usual ones. */
export const briefingSet = defineEvent('briefingSet', {
  body: { minutes: z.int().check(z.gte(1), z.lte(180)) },
  subject: () => ['briefing', 'minutes'],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
});

/** What somebody answered or showed of a point: each time stands beside the others. */
export const understandingShown = defineEvent('understandingShown', {
  body: {
    point: id,
    by: z.enum(['driver', 'lookout']),
    how: z.enum(['answered', 'demonstrated']),
    question: z.optional(id),
    answer: z.optional(id),
    right: z.boolean(),
    language,
  },
  subject: ({ point, by }) => ['understood', point, by],
  merge: 'collect',
  onSwap: ({ point }) => `point/${point}`,
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'out',
});
