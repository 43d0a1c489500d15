import { defineEvent } from '../events/define';

/** She went, and she came. */

export const castOff = defineEvent('castOff', {
  body: {},
  subject: () => ['castOff'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'out',
  effect: { does: 'leave' },
});

export const cameIn = defineEvent('cameIn', {
  body: {},
  subject: () => ['cameIn'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'in',
});
