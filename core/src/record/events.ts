import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { EventId, id, note, Sha256, Walk } from '../events/parts';

/** What every walk has, and what puts right what was entered. */

export const walkStarted = defineEvent('walkStarted', {
  body: { walk: Walk },
  subject: ({ walk }) => [walk, 'started'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  effect: { does: 'start' },
});

export const stationTied = defineEvent('stationTied', {
  body: { walk: Walk, station: id },
  subject: ({ walk, station }) => [walk, 'tied', station],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
});

/** What somebody who signs wants to stand beside it. */
export const remarked = defineEvent('remarked', {
  body: { walk: Walk, as: z.enum(['renter', 'staff']), text: z.string().check(z.minLength(1), z.maxLength(2000)) },
  subject: ({ walk, as }) => [walk, 'remark', as],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
});

export const signed = defineEvent('signed', {
  body: {
    walk: Walk,
    as: z.enum(['renter', 'staff']),
    page: Sha256,
    language: z.string().check(z.maxLength(8)),
    signer: Sha256,
    drawing: Sha256,
  },
  subject: ({ walk, as }) => [walk, 'signed', as],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ drawing }) => [drawing],
  effect: { does: 'sign' },
});

/** Somebody will not sign, or is gone: the walk is sealed without their name, and says so. */
export const signRefused = defineEvent('signRefused', {
  body: { walk: Walk, why: z.string().check(z.minLength(1), z.maxLength(500)) },
  subject: ({ walk }) => [walk, 'refused'],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
  effect: { does: 'refuse' },
});

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
export const contradictionSettled = defineEvent('contradictionSettled', {
  body: {
    subject: z.array(z.string().check(z.minLength(1), z.maxLength(160))).check(z.minLength(1), z.maxLength(6)),
    stands: EventId,
    note,
  },
  subject: ({ subject }) => ['settled', ...subject],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
  effect: { does: 'settle', between: ({ subject }) => subject, stands: ({ stands }) => stands },
});
