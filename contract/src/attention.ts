import { Wording } from '@quay/core/words/words';
import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

/** What a manager should see, the gravest first. */
export const ATTENTION_KINDS = [
  'diskLow',
  'broken',
  'twiceOut',
  'clash',
  'otherBoat',
  'leftCancelled',
  'overdue',
  'overridden',
  'conflicts',
  'seals',
  'reported',
  'rounds',
  'feed',
  'outOfDate',
  'holdEnds',
  'late',
  'proposed',
  'wrongClocks',
] as const;
export type AttentionKind = (typeof ATTENTION_KINDS)[number];

/** One thing that wants a manager's eye: about which hire or boat, and named so that it can be put aside as it stands. */
export const AttentionMatter = z.object({
  /** Another one when it gets worse: what was put aside comes back then. */
  key: z.string(),
  kind: z.enum(ATTENTION_KINDS),
  /** Nothing where it is the boat's own matter. */
  hire: z.nullable(Id),
  /** Nothing where it is about the quay itself. */
  boat: z.nullable(Id),
  boatName: z.nullable(z.string()),
  renter: z.nullable(z.string()),
  count: z.int(),
  /** Since when, or until when; nothing where that says nothing. */
  at: z.nullable(Instant),
  /** What of the boat it is about, or how much is left. */
  thing: z.nullable(Wording),
});
export type AttentionMatter = z.infer<typeof AttentionMatter>;

export const getAttention = endpoint({
  name: 'getAttention',
  summary: 'What wants a manager’s eye and has not been put aside.',
  method: 'GET',
  path: '/attention',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ matters: z.array(AttentionMatter) }),
});

const Key = z.object({ key: z.string().check(z.minLength(1), z.maxLength(200)) });

export const putAside = endpoint({
  name: 'putAside',
  summary: 'Puts a matter aside as it stands: it was seen. What gets worse comes back.',
  method: 'POST',
  path: '/attention/aside',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: Key,
  reply: z.object({ ok: z.literal(true) }),
});

export const bringBack = endpoint({
  name: 'bringBack',
  summary: 'Brings back a matter that was put aside.',
  method: 'POST',
  path: '/attention/back',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: Key,
  reply: z.object({ ok: z.literal(true) }),
});
