import * as z from 'zod/mini';
import { CANCEL_REASONS, CHANGE_REASONS } from '@quay/core/booking/events';
import { POLICIES } from '@quay/core/policy/policy';
import { BOAT_KINDS } from '@quay/core/fleet/book';
import { LANGUAGES, Wording } from '@quay/core/words/words';
import { Contact, RenterName } from './booking';
import { endpoint } from './endpoint';
import { Hire } from './hire';
import { hireParams, Id, Instant, nothing } from './parts';

/** What becomes of a booking until its boat leaves, and of its return while she is out. */

const note = z.optional(z.string().check(z.maxLength(1000)));
/** Although there is less time to turn the boat round than there should be. */
const insist = z.optional(z.boolean());
/** Although the base is closed then, it is dark, or it is after the curfew. */
const insistHours = z.optional(z.boolean());

export const changeHire = endpoint({
  name: 'changeHire',
  summary:
    'Changes what was booked, up to another boat, until she leaves; of one that is out a manager changes the return. Refused when somebody else changed it meanwhile, or has the boat.',
  method: 'PATCH',
  path: '/hires/:hireId',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  versioned: true,
  body: z.object({
    boat: z.optional(Id),
    from: z.optional(Instant),
    to: z.optional(Instant),
    party: z.optional(Hire.shape.party),
    renter: z.optional(RenterName),
    contact: z.optional(Contact),
    language: z.optional(z.enum(LANGUAGES)),
    handover: z.optional(z.enum(POLICIES.handover)),
    depositMinor: z.optional(z.int().check(z.gte(0), z.lte(100_000_000))),
    notes: z.optional(z.string().check(z.maxLength(2000))),
    why: z.optional(z.enum(CHANGE_REASONS)),
    note,
    /** With another boat: what was told of what is the same on both stays told. */
    keepTold: z.optional(z.boolean()),
    insist,
    insistHours,
  }),
  reply: Hire,
});

export const cancelHire = endpoint({
  name: 'cancelHire',
  summary: 'A hire that has not left does not take place: its boat is free again.',
  method: 'POST',
  path: '/hires/:hireId/cancel',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  versioned: true,
  body: z.object({ why: z.enum(CANCEL_REASONS), note }),
  reply: Hire,
});

export const reinstateHire = endpoint({
  name: 'reinstateHire',
  summary: 'A cancelled hire takes place after all, where its boat is still free.',
  method: 'POST',
  path: '/hires/:hireId/reinstate',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  versioned: true,
  body: z.object({ note, insist }),
  reply: Hire,
});

const pair = <T extends z.ZodMiniType>(of: T) => z.optional(z.object({ then: of, now: of }));
const things = z.array(z.object({ name: Wording, count: z.int() }));

export const previewSwap = endpoint({
  name: 'previewSwap',
  summary: 'What another boat would change for a hire: where their books differ, and what of its walk stays.',
  method: 'GET',
  path: '/hires/:hireId/swap',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: z.object({ boat: Id }),
  body: nothing,
  reply: z.object({
    boat: z.object({ id: Id, name: z.string() }),
    differs: z.object({
      kind: pair(z.enum(BOAT_KINDS)),
      people: pair(z.int()),
      loadKg: pair(z.optional(z.number())),
      more: things,
      fewer: things,
      points: z.array(Wording),
      drills: z.array(Wording),
    }),
    /** Points told that need not be told again, and that must be. */
    told: z.object({ stay: z.int(), again: z.int() }),
    /** Entries of this walk that stay behind with the first boat. */
    behind: z.int(),
  }),
});
