import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { hireParams, Id, Instant, nothing, Sha256 } from './parts';

export const Actor = z.object({ id: z.string(), role: z.enum(['hand', 'manager', 'renter', 'quay']) });
/** An event as the server holds it: its stored content, whoever made it, and what delivery showed. */
export const HeldEvent = z.object({ event: z.unknown(), actor: Actor, receivedAt: Instant, behindMs: z.number() });
export const REFUSALS = [
  'unknownVersion',
  'unknownKind',
  'doesNotFit',
  'otherHire',
  'otherDevice',
  'mayNot',
  'sameIdOtherContent',
  'overQuota',
  'makerGone',
] as const;
export const Refusal = z.object({ id: z.string(), reason: z.enum(REFUSALS), detail: z.string() });
export type Refusal = z.infer<typeof Refusal>;

export const appendEvents = endpoint({
  name: 'appendEvents',
  summary: 'Adds events to a hire’s record. Doing it twice changes nothing; each is taken or refused by itself.',
  method: 'POST',
  path: '/hires/:hireId/events',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: nothing,
  // Events are read one by one, so that one bad one does not hold up the others.
  body: z.object({ sentAt: Instant, events: z.array(z.unknown()).check(z.minLength(1), z.maxLength(500)) }),
  reply: z.object({ synced: z.array(z.string()), refused: z.array(Refusal) }),
});

export const readEvents = endpoint({
  name: 'readEvents',
  summary: 'Events of a hire after a cursor, in the order they were taken.',
  method: 'GET',
  path: '/hires/:hireId/events',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: z.object({ after: z.optional(z.string().check(z.regex(/^\d{1,15}$/))) }),
  body: nothing,
  /** `aside`: all events of the hire that a manager took out of the record, wherever the cursor stands. */
  reply: z.object({ events: z.array(HeldEvent), cursor: z.string(), more: z.boolean(), aside: z.array(z.string()) }),
});

const photoParams = z.object({ hireId: Id, sha: Sha256 });
export const PHOTO_LIMIT_BYTES = 25 * 1024 * 1024;
export const PHOTO_LIMIT_PIXELS = 50_000_000;
/** Longest side of a photograph, px: a panorama has some ten thousand. */
export const PHOTO_LIMIT_SIDE = 20_000;

export const photoState = endpoint({
  name: 'photoState',
  summary: 'How many bytes of a photograph the server has.',
  method: 'GET',
  path: '/hires/:hireId/photos/:sha/state',
  roles: ['hand', 'manager', 'renter'],
  params: photoParams,
  query: nothing,
  body: nothing,
  reply: z.object({ bytes: z.int(), complete: z.boolean() }),
});

export const sendPhoto = endpoint({
  name: 'sendPhoto',
  summary: 'Appends bytes at an offset; once complete they are checked against the name.',
  method: 'PATCH',
  path: '/hires/:hireId/photos/:sha',
  roles: ['hand', 'manager', 'renter'],
  params: photoParams,
  query: z.object({ offset: z.string().check(z.regex(/^\d{1,9}$/)), size: z.string().check(z.regex(/^\d{1,9}$/)) }),
  body: nothing,
  takesBytes: true,
  reply: z.object({ bytes: z.int(), complete: z.boolean() }),
});

export const getPhoto = endpoint({
  name: 'getPhoto',
  summary: 'A photograph of this hire.',
  method: 'GET',
  path: '/hires/:hireId/photos/:sha',
  roles: ['hand', 'manager', 'renter'],
  params: photoParams,
  /** `small` where it is only shown among others: for a walk, not for evidence. */
  query: z.object({ size: z.optional(z.literal('small')) }),
  body: nothing,
  gives: 'image/*',
  reply: z.unknown(),
});
