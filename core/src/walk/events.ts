import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { id, Sha256, Walk } from '../events/parts';

/** What every walk has. */

export const walkStarted = defineEvent('walkStarted', {
  body: { walk: Walk },
  subject: ({ walk }) => [walk, 'started'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  effect: { does: 'start' },
});

export const stationCompleted = defineEvent('stationCompleted', {
  body: { walk: Walk, station: id },
  subject: ({ walk, station }) => [walk, 'completed', station],
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
