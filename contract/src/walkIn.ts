import * as z from 'zod/mini';
import { POLICIES } from '@quay/core/policy/policy';
import { LANGUAGES } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { HirePack } from './hire';
import { Id, Instant, nothing } from './parts';

/** What a phone brings along so that somebody who stands on the pontoon can hire a boat where there is no signal. */

/** A boat's time that is given away, as a phone keeps it. */
const BookedTime = z.object({
  /** None where she is out of service. */
  hire: z.nullable(Id),
  boat: Id,
  /** Who has her, or why she is out of service. */
  renter: z.string(),
  from: Instant,
  to: z.nullable(Instant),
});

export const WalkIns = z.object({
  now: Instant,
  base: z.object({ id: Id, name: z.string(), zone: z.string() }),
  bases: z.array(z.object({ id: Id, name: z.string() })),
  currency: z.string(),
  handover: z.enum(POLICIES.handover),
  languages: z.array(z.enum(LANGUAGES)),
  turnaroundMinutes: z.int(),
  boats: z.array(
    z.object({
      id: Id,
      name: z.string(),
      hullNumber: z.string(),
      people: z.int(),
      depositMinor: z.int(),
      /** Another one whenever what a phone keeps of her is no longer what the quay has. */
      mark: z.string(),
    }),
  ),
  booked: z.array(BookedTime),
});
export type WalkIns = z.infer<typeof WalkIns>;

export const getWalkIns = endpoint({
  name: 'getWalkIns',
  summary: 'The boats of a base and what is booked of them in the days to come: what a phone judges by where there is no signal.',
  method: 'GET',
  path: '/walk-ins',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z.object({ base: z.optional(Id) }),
  body: nothing,
  reply: WalkIns,
});

/** All of a hire's pack that is the boat's and the quay's: with the hire itself it is one. */
export const BoatPack = z.extend(
  z.pick(HirePack, {
    boat: true,
    base: true,
    waters: true,
    rules: true,
    operator: true,
    book: true,
    bookVersion: true,
    before: true,
    away: true,
    prices: true,
    previousSeal: true,
  }),
  { priceVersion: z.int() },
);
export type BoatPack = z.infer<typeof BoatPack>;

export const getBoatPack = endpoint({
  name: 'getBoatPack',
  summary: 'Everything a phone needs to hire out this boat and walk her without signal.',
  method: 'GET',
  path: '/boats/:boatId/pack',
  roles: ['hand', 'manager'],
  params: z.object({ boatId: Id }),
  query: nothing,
  body: nothing,
  reply: BoatPack,
});
