import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { findingKey, id, note, photos } from '../events/parts';

/** What is decided of a finding, and what else is said to have to be paid or given back. */

export const DECISIONS = ['renters', 'known', 'wear', 'askManager', 'notDamage', 'found', 'credit', 'notOurs'] as const;
/** What is charged beside what was found on the boat. */
export const EXTRAS = ['breach', 'callOut', 'other'] as const;
/** What a renter paid on the way and holds a receipt for. */
export const RECEIPTS = ['pumpOut', 'other'] as const;

export const findingDecided = defineEvent('findingDecided', {
  body: { finding: findingKey, decision: z.enum(DECISIONS), note },
  subject: ({ finding }) => ['decided', finding],
  merge: 'replace',
  addedBy: ['hand', 'manager'],
});

/** Charged beside what was found on the boat: by a row of the price list, or what was really paid. */
export const extraNoted = defineEvent('extraNoted', {
  body: {
    extra: id,
    what: z.enum(EXTRAS),
    price: z.optional(id),
    quantity: z.optional(z.number().check(z.gt(0), z.lte(1000))),
    amountMinor: z.optional(z.int().check(z.gt(0), z.lte(100_000_000))),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  },
  subject: ({ extra }) => ['extra', extra],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager'],
  photos: ({ photos: taken }) => taken,
});

/** A receipt of the renter's for something they paid that is the operator's to pay. */
export const receiptShown = defineEvent('receiptShown', {
  body: {
    receipt: id,
    what: z.enum(RECEIPTS),
    amountMinor: z.int().check(z.gt(0), z.lte(10_000_000)),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  },
  subject: ({ receipt }) => ['receipt', receipt],
  merge: 'replace',
  onSwap: 'goesAlong',
  addedBy: ['hand', 'manager', 'renter'],
  photos: ({ photos: taken }) => taken,
});
