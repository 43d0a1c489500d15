import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { asBefore, id, photos, Walk } from '../events/parts';

/** What a gauge shows, in the gauge's own unit. */
export const gaugeRead = defineEvent('gaugeRead', {
  body: {
    walk: Walk,
    gauge: id,
    shown: z.number().check(z.gte(-1e6), z.lte(1e6)),
    askew: z.optional(z.boolean()),
    /** Of a totaliser: it counts from a fill to the brim at which it was zeroed. */
    zeroed: z.optional(z.literal(true)),
    /** Who read it: a person unless said otherwise. */
    by: z.optional(z.literal('gateway')),
    /** Of what was read, where the book asks to be shown it. */
    photos: z.optional(photos),
    asBefore,
  },
  subject: ({ walk, gauge }) => [walk, 'gauge', gauge],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ photos: taken }) => taken ?? [],
});

/** Filled to the brim before this walk's other readings, with the litres on the pump's meter where there was one. */
export const brimmed = defineEvent('brimmed', {
  body: { walk: Walk, tank: id, meteredL: z.optional(z.number().check(z.gt(0), z.lte(20_000))) },
  subject: ({ walk, tank }) => [walk, 'brim', tank],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
});

/** A metered fill, by the quay or by the renter on the way; two fills are two fills. */
export const fuelFilled = defineEvent('fuelFilled', {
  body: {
    tank: id,
    litres: z.number().check(z.gt(0), z.lte(20_000)),
    brim: z.boolean(),
    by: z.enum(['operator', 'renter']),
    paidMinor: z.optional(z.int().check(z.gte(0), z.lte(10_000_000))),
    /** Of the pump's meter, or of the receipt. */
    photos: z.optional(photos),
  },
  subject: ({ tank }) => ['filled', tank],
  merge: 'collect',
  addedBy: ({ by }) => (by === 'renter' ? ['hand', 'manager', 'renter'] : ['hand', 'manager']),
  photos: ({ photos: taken }) => taken ?? [],
});

/** A tank that is not the engine's, filled or pumped out while the renter had the boat. */
export const tankServed = defineEvent('tankServed', {
  body: { tank: id, did: z.enum(['filled', 'emptied']) },
  subject: ({ tank }) => ['served', tank],
  merge: 'collect',
  addedBy: ['hand', 'manager', 'renter'],
});
