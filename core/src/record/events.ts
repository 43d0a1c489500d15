import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { EventId, note, Sha256, Walk } from '../events/parts';

/** What is said of other events: that they are sealed, taken away, or right. */

export const sealed = defineEvent('sealed', {
  body: {
    walk: Walk,
    covers: z.array(EventId).check(z.minLength(1), z.maxLength(5000)),
    photos: z.array(Sha256).check(z.maxLength(5000)),
    previous: z.union([Sha256, z.null()]),
    root: Sha256,
    signature: z.string().check(z.maxLength(512)),
    key: Sha256,
  },
  subject: ({ walk }) => [walk, 'sealed'],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  // It names pictures that belong to what it covers, and has none of its own.
  photos: () => [],
  effect: { does: 'seal', covers: ({ covers }) => covers },
});

/** Takes away what it names, and nothing else. */
export const undone = defineEvent('undone', {
  body: {},
  subject: () => undefined,
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renter'],
  effect: { does: 'undo' },
});

/** Says which of the values that two phones left standing is right; the only way once a seal covers both. */
export const conflictResolved = defineEvent('conflictResolved', {
  body: {
    subject: z.array(z.string().check(z.minLength(1), z.maxLength(160))).check(z.minLength(1), z.maxLength(6)),
    stands: EventId,
    note,
  },
  subject: ({ subject }) => ['resolved', ...subject],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
  effect: { does: 'resolve', between: ({ subject }) => subject, stands: ({ stands }) => stands },
});
