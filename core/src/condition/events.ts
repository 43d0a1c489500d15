import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { asBefore, Figure, id, note, photos, Walk } from '../events/parts';
import { Mark } from './marks';

export const FITTING_STATES = ['fine', 'damaged', 'unsealed', 'expired'] as const;
export const EVIDENCE_STATES = ['sound', 'flawWithinLimit', 'flawOverLimit', 'notSeen'] as const;

/** How much there is of a piece of equipment, and in what state. */
export const counted = defineEvent('counted', {
  body: {
    walk: Walk,
    fitting: id,
    count: z.int().check(z.gte(0), z.lte(999)),
    state: z.enum(FITTING_STATES),
    /** Number on the seal of a sealed kit. */
    seal: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
    /** The station at which it was found, where that is not its own. */
    at: z.optional(id),
    note,
    asBefore,
  },
  subject: ({ walk, fitting }) => [walk, 'count', fitting],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
});

/** A flaw, at its place on the drawing of a surface. */
export const markPlaced = defineEvent('markPlaced', {
  body: { walk: Walk, mark: Mark, asBefore },
  subject: ({ walk, mark }) => [walk, 'mark', mark.id],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ mark }) => mark.photos,
});

/** A surface was looked at as a whole. */
export const surfaceSeen = defineEvent('surfaceSeen', {
  body: { walk: Walk, surface: id, photos, asBefore },
  subject: ({ walk, surface }) => [walk, 'surface', surface],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ photos: taken }) => taken,
});

/** What is known of a propeller, in the way its boat lets it be known. */
export const evidenceGiven = defineEvent('evidenceGiven', {
  body: {
    walk: Walk,
    propeller: id,
    state: z.enum(EVIDENCE_STATES),
    sizeMm: z.optional(z.number().check(z.gt(0), z.lte(500))),
    /** Revolutions a minute at full throttle, where the boat is judged by them. */
    fullRpm: z.optional(z.int().check(z.gt(0), z.lte(12_000))),
    note,
    photos,
    asBefore,
  },
  subject: ({ walk, propeller }) => [walk, 'propeller', propeller],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ photos: taken }) => taken,
});

/** How one thing to be looked at was found: `way` is one of those the book names. */
export const asFound = defineEvent('asFound', {
  body: { walk: Walk, check: id, way: id, note, photos },
  subject: ({ walk, check }) => [walk, 'check', check],
  merge: 'replace',
  addedBy: ['hand', 'manager', 'renterAlone'],
  photos: ({ photos: taken }) => taken,
});

/** A fault or a knock, reported from afloat. */
export const reported = defineEvent('reported', {
  body: {
    what: z.enum(['fault', 'knock']),
    note: z.string().check(z.minLength(1), z.maxLength(1000)),
    station: z.optional(id),
    photos,
  },
  subject: () => ['reported'],
  merge: 'collect',
  addedBy: ['hand', 'manager', 'renter'],
  photos: ({ photos: taken }) => taken,
});

/** A round of the day gone through: what was found in order, what was left, and what was added, read or pumped. */
export const roundDone = defineEvent('roundDone', {
  body: {
    round: id,
    done: z.array(id).check(z.maxLength(60)),
    left: z.array(id).check(z.maxLength(60)),
    note,
    figures: z.optional(z.array(z.object({ item: id, value: Figure })).check(z.maxLength(60))),
    photos: z.optional(photos),
  },
  subject: ({ round }) => ['round', round],
  merge: 'collect',
  addedBy: ['hand', 'manager', 'renter'],
  photos: ({ photos: taken }) => taken ?? [],
});
