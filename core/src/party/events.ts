import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { id, Sha256 } from '../events/parts';
import { Jacket } from '../fleet/jacket';
import { LANGUAGES } from '../words/words';

/** Who is aboard. Names and masses are in a sheet of their own; what stands here is its digest, and heads. */
export const partySet = defineEvent('partySet', {
  body: { sheet: Sha256, people: z.int().check(z.gte(1), z.lte(60)), children: z.int().check(z.gte(0), z.lte(60)) },
  subject: () => ['party'],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager', 'renter'],
});

/** `jacket` is what the label of one says that they brought, read and tried on: nobody else's figures are known of it. */
export const jacketGiven = defineEvent('jacketGiven', {
  body: { person: id, fitting: id, where: z.enum(['aboard', 'store', 'brought']), jacket: z.optional(Jacket) },
  check: {
    holds: ({ where, jacket }) => (where === 'brought') === (jacket !== undefined),
    says: 'a jacket that was brought, and no other, says what its label says',
  },
  subject: ({ person }) => ['jacket', person],
  merge: 'replace',
  onSwap: ({ fitting, where }) => (where === 'brought' ? 'goesAlong' : `${where}/${fitting}`),
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'out',
});

/** The language the renter wants to be spoken to in, chosen on their phone. */
export const languageChosen = defineEvent('languageChosen', {
  body: { language: z.enum(LANGUAGES) },
  subject: () => ['language'],
  merge: 'collect',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager', 'renter'],
});
