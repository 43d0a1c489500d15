import * as z from 'zod/mini';
import { HIRE_STATES } from '@quay/core/day/board';
import { LANGUAGES } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { SomeDays } from './hire';
import { Id, Instant, nothing } from './parts';

/** Boats and their time: who has which when, and when one is out of service. */

const CalendarHire = z.object({
  id: Id,
  boat: Id,
  renter: z.string(),
  party: z.int(),
  from: Instant,
  to: Instant,
  state: z.enum(HIRE_STATES),
  version: z.int(),
});
export type CalendarHire = z.infer<typeof CalendarHire>;

const OutOfService = z.object({
  id: Id,
  boat: Id,
  from: Instant,
  /** Until somebody says otherwise. */ to: z.nullable(Instant),
  why: z.string(),
});
export type OutOfService = z.infer<typeof OutOfService>;

export const Calendar = z.object({
  now: Instant,
  base: z.object({ id: Id, name: z.string(), zone: z.string() }),
  bases: z.array(z.object({ id: Id, name: z.string() })),
  turnaroundMinutes: z.int(),
  boats: z.array(z.object({ id: Id, name: z.string(), hullNumber: z.string(), people: z.int() })),
  hires: z.array(CalendarHire),
  outOfService: z.array(OutOfService),
});
export type Calendar = z.infer<typeof Calendar>;

export const getCalendar = endpoint({
  name: 'getCalendar',
  summary: 'The boats of a base with what is booked of them on some days, from the first up to (not with) the last.',
  method: 'GET',
  path: '/calendar',
  roles: ['hand', 'manager'],
  params: nothing,
  query: SomeDays,
  body: nothing,
  reply: Calendar,
});

export const takeOutOfService = endpoint({
  name: 'takeOutOfService',
  summary: 'A boat cannot be hired for some time, or until somebody says otherwise. Hires in that time are named, not cancelled.',
  method: 'POST',
  path: '/boats/:boatId/out-of-service',
  roles: ['hand', 'manager'],
  params: z.object({ boatId: Id }),
  query: nothing,
  body: z
    .object({
      /** Made where it is entered: sent twice, it is there once. */
      id: Id,
      from: Instant,
      to: z.nullable(Instant),
      why: z.string().check(z.minLength(1), z.maxLength(200)),
    })
    .check(z.refine(({ from, to }) => to === null || from < to, 'it would end before it begins')),
  reply: z.object({
    outOfService: OutOfService,
    /** Hires of hers that lie in that time. */
    hires: z.array(z.object({ id: Id, renter: z.string(), from: Instant, to: Instant })),
  }),
});

export const backInService = endpoint({
  name: 'backInService',
  summary: 'A boat can be hired again.',
  method: 'DELETE',
  path: '/out-of-service/:id',
  roles: ['hand', 'manager'],
  params: z.object({ id: Id }),
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});

/** What is looked for: a name, a number, a boat, a day. */
const Find = z.string().check(z.minLength(2), z.maxLength(80));

export const findHires = endpoint({
  name: 'findHires',
  summary: 'Hires whose renter, number, mail, boat, statement or day is what somebody looks for, the nearest in time first.',
  method: 'GET',
  path: '/hires',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z.object({ find: Find }),
  body: nothing,
  reply: z.object({
    hires: z.array(
      z.object({
        id: Id,
        boat: z.string(),
        renter: z.string(),
        contact: z.string(),
        base: z.object({ id: Id, name: z.string(), zone: z.string() }),
        from: Instant,
        to: Instant,
        state: z.enum(HIRE_STATES),
      }),
    ),
  }),
});

export const findRenters = endpoint({
  name: 'findRenters',
  summary: 'People who hired here before and whose name, number or mail holds what is looked for.',
  method: 'GET',
  path: '/renters',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z.object({ find: Find }),
  body: nothing,
  reply: z.object({
    renters: z.array(
      z.object({ id: Id, name: z.string(), contact: z.string(), language: z.enum(LANGUAGES), hires: z.int(), lastFrom: Instant }),
    ),
  }),
});
