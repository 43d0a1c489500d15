import * as z from 'zod/mini';
import { OUTSIDE_HOURS } from '@quay/core/fleet/handoverPolicy';
import { LONGEST_HIRE_DAYS } from '@quay/core/booking/limits';
import { POLICIES } from '@quay/core/policy/policy';
import { LANGUAGES } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { Hire } from './hire';
import { Id, Instant, nothing } from './parts';

const Party = Hire.shape.party;
const isInOrder = ({ from, to }: { from: string; to: string }) => from < to;
const isShort = ({ from, to }: { from: string; to: string }) => Date.parse(to) - Date.parse(from) <= LONGEST_HIRE_DAYS * 86_400_000;

const Clash = z.object({
  is: z.enum(['overlaps', 'tooTight']),
  /** Minutes between the two hires. */
  minutes: z.int(),
  /** None where she is out of service then. */
  hire: z.nullable(Id),
  /** Who has her, or why she is out of service. */
  renter: z.string(),
  from: Instant,
  to: z.nullable(Instant),
});
const BoatChoice = z.object({
  id: Id,
  name: z.string(),
  hullNumber: z.string(),
  /** So many her plate allows. */
  people: z.int(),
  is: z.enum(['free', 'tight', 'taken', 'tooSmall']),
  clashes: z.array(Clash),
  /** When she is first free for as long, where she is not. */
  freeFrom: z.nullable(Instant),
  /** What was asked for on her last hire. */
  depositMinor: z.int(),
});
export type BoatChoice = z.infer<typeof BoatChoice>;

export const getChoices = endpoint({
  name: 'getChoices',
  summary: 'The boats of a base for some time and some people: which are free, and what stands in the way of the others.',
  method: 'GET',
  path: '/bookings/choices',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z
    .object({
      base: z.optional(Id),
      from: Instant,
      to: Instant,
      people: z.string().check(z.regex(/^\d{1,3}$/)),
      /** The hire it is asked for, where there is one: it is not in its own way. */
      hire: z.optional(Id),
      /** How she is handed over; as usual where it is not said. */
      handover: z.optional(z.enum(POLICIES.handover)),
    })
    .check(z.refine(isInOrder, 'the return is not after the departure'), z.refine(isShort, 'not so many days')),
  body: nothing,
  reply: z.object({
    base: z.object({ id: Id, name: z.string(), zone: z.string() }),
    bases: z.array(z.object({ id: Id, name: z.string() })),
    currency: z.string(),
    handover: z.enum(POLICIES.handover),
    /** Languages renters are spoken to in, the usual one first. */
    languages: z.array(z.enum(LANGUAGES)),
    /** Minutes a boat needs between two hires. */
    turnaroundMinutes: z.int(),
    /** What is against these hours, whichever boat it is. */
    hours: z.object({
      rule: z.enum(OUTSIDE_HOURS),
      faults: z.array(
        z.object({ is: z.enum(['closed', 'dark', 'curfew']), end: z.enum(['from', 'to']), at: Instant, by: z.optional(z.string()) }),
      ),
      /** Departures near it that nothing is against, for as long. */
      better: z.array(Instant),
    }),
    boats: z.array(BoatChoice),
  }),
});

const text = (most: number) => z.string().check(z.maxLength(most));
export const RenterName = text(80).check(z.refine((name) => name.trim() !== '', 'somebody hires her'));
/** Number or mail. */
export const Contact = text(120);

export const NewHire = z
  .object({
    /** Made where it is entered: sent twice, it is booked once. */
    id: Id,
    boat: Id,
    from: Instant,
    to: Instant,
    renter: RenterName,
    contact: Contact,
    /** Somebody who hired here before, and what they are called and reached by from now on. */
    person: z.optional(Id),
    language: z.enum(LANGUAGES),
    handover: z.enum(POLICIES.handover),
    party: Party,
    depositMinor: z.int().check(z.gte(0), z.lte(100_000_000)),
    notes: text(2000),
    /** Although there is less time to turn the boat round than there should be. */
    insist: z.optional(z.boolean()),
    /** Although the base is closed then, it is dark, or it is after the curfew; where the operator lets somebody insist. */
    insistHours: z.optional(z.boolean()),
    /**
     * Booked on a phone without signal, and perhaps under way by now: it is taken whatever has become of the boat's time
     * since, and what is in its way is a matter for a manager.
     */
    offline: z.optional(
      z.object({
        madeAt: Instant,
        /** Of the commitments that were signed on the phone already. */
        salt: z.string().check(z.regex(/^[0-9a-f]{32}$/)),
        /** The prices that were told. */
        priceVersion: z.int().check(z.gte(1)),
      }),
    ),
  })
  .check(z.refine(isInOrder, 'the return is not after the departure'), z.refine(isShort, 'not so many days'));
export type NewHire = z.infer<typeof NewHire>;

export const bookHire = endpoint({
  name: 'bookHire',
  summary: 'A new hire; refused where somebody else has the boat, and asked for again where there is little time to turn her round.',
  method: 'POST',
  path: '/hires',
  roles: ['hand', 'manager'],
  params: nothing,
  query: nothing,
  body: NewHire,
  reply: Hire,
});
