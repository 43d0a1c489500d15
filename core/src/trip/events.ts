import * as z from 'zod/mini';
import { defineEvent } from '../events/define';
import { Day, ExactInstant } from '../time/calendar';

/** What was planned, that she went, and that she came. */

/** What a boat has to be home before, by the clock. */
export const DEADLINE_REASONS = ['due', 'dark', 'curfew'] as const;
/** Where the wind that is planned with comes from; `none`: nobody says anything of it. */
export const WEATHER_SOURCES = ['forecast', 'oldForecast', 'observed', 'none'] as const;

const placeName = z.string().check(z.minLength(1), z.maxLength(120));
/** Days that a hire on a canal may have in one plan. */
const MOST_DAYS = 62;

/** What the renter leaves with: a time to turn or to lie by, or days with their nights. */
const AgreedPlan = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('day'),
    /** Home again, or lying somewhere by then. */
    aim: z.enum(['home', 'lie']),
    /** The latest to leave for home, from `to` or from wherever one is; or to lie somewhere. */
    by: ExactInstant,
    binds: z.enum([...DEADLINE_REASONS, 'fuel']),
    to: z.optional(placeName),
    weather: z.enum(WEATHER_SOURCES),
  }),
  z.object({
    is: z.literal('canal'),
    turn: placeName,
    days: z.array(z.object({ day: Day, night: z.optional(placeName) })).check(z.minLength(1), z.maxLength(MOST_DAYS)),
  }),
]);
export type AgreedPlan = z.infer<typeof AgreedPlan>;

/** The plan that quay and renter agree on, or that the renter makes anew on the way; the last one holds. */
export const planAgreed = defineEvent('planAgreed', {
  body: { plan: AgreedPlan },
  subject: () => ['trip', 'plan'],
  merge: 'collect',
  addedBy: ['hand', 'manager', 'renter'],
});

export const castOff = defineEvent('castOff', {
  body: {},
  subject: () => ['castOff'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'out',
  effect: { does: 'leave' },
});

export const cameIn = defineEvent('cameIn', {
  body: {},
  subject: () => ['cameIn'],
  merge: 'once',
  addedBy: ['hand', 'manager', 'renterAlone'],
  on: 'in',
});
