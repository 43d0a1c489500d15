import * as z from 'zod/mini';
import { defineEvent } from '../events/define';

/** What lets a boat go, and what keeps her. */

export const boatHeld = defineEvent('boatHeld', {
  body: { why: z.string().check(z.minLength(1), z.maxLength(500)) },
  subject: () => ['boatHeld'],
  merge: 'collect',
  addedBy: ['hand', 'manager'],
});

/** A manager lets the boat go with what stood on the cast-off check, named as it stood, and says why. */
export const holdOverridden = defineEvent('holdOverridden', {
  body: { matter: z.string().check(z.minLength(1), z.maxLength(200)), why: z.string().check(z.minLength(1), z.maxLength(500)) },
  subject: ({ matter }) => ['overridden', matter],
  merge: 'collect',
  addedBy: ['manager'],
});

/** The quay gave the renter the code of the key safe; the code itself is in no record. */
export const keyGiven = defineEvent('keyGiven', {
  body: {},
  subject: () => ['keyGiven'],
  merge: 'once',
  addedBy: ['quay'],
});
