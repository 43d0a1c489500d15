import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { note, photos } from '../events/parts';

const work = z.string().check(z.minLength(1), z.maxLength(160));

/** Something to be done before the next hire is done: somebody says so, and shows it. */
export const workDone = defineEvent('workDone', {
  body: { work, note, photos },
  subject: ({ work: key }) => ['work', key],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
  afterClosing: true,
  photos: ({ photos: taken }) => taken,
});

/** Whether something to be done holds the boat until it is. */
export const workJudged = defineEvent('workJudged', {
  body: { work, unsafe: z.boolean() },
  subject: ({ work: key }) => ['unsafe', key],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
  afterClosing: true,
});

/** Characters that a note has at most. */
export const NOTE_MOST = 500;

/** What somebody leaves to whoever takes the boat in hand next: what no list asks for, and everybody had to remember. */
export const noteLeft = defineEvent('noteLeft', {
  body: { text: z.string().check(z.minLength(1), z.maxLength(NOTE_MOST)) },
  subject: () => ['note'],
  merge: 'collect',
  addedBy: ['hand', 'manager'],
  afterClosing: true,
});
