import * as z from 'zod/mini';
import { LEVELS, OVERRIDABLE, type Overridable } from '../policy/castOff';
import { METRIC, Units } from '../number/units';
import { Policies } from '../policy/policies';
import { GeneralPoint } from './points';
import { StatementPrefix } from '../number/statementNumber';
import { Clauses, LANGUAGES } from '../words/words';

/** Told only; asked for once more; or refused. */
export const OUTSIDE_HOURS = ['note', 'ask', 'refuse'] as const;

const level = z.optional(z.enum(LEVELS));
const CastOffRules = z.object(Object.fromEntries(OVERRIDABLE.map((check) => [check, level])) as Record<Overridable, typeof level>);

/** How an operator hands over: settings that every base and boat of theirs begins from. */
export const HandoverPolicy = z.object({
  phone: z.optional(z.string().check(z.maxLength(40))),
  /** As it stands at the head of papers. */
  address: z.optional(z.string().check(z.maxLength(200))),
  /** Languages renters are spoken to in, the usual one first. */
  languages: z._default(z.array(z.enum(LANGUAGES)).check(z.minLength(1), z.maxLength(LANGUAGES.length)), [...LANGUAGES]),
  /** What figures are said and typed in. */
  units: z._default(Units, METRIC),
  /** Stands before the numbers of statements. */
  statementPrefix: z._default(StatementPrefix, ''),
  policies: z._default(Policies, {}),
  /** Minutes there usually are for telling. */
  briefingMinutes: z._default(z.int().check(z.gte(1), z.lte(180)), 20),
  /** Whose understanding is asked for. */
  understandingBy: z._default(z.array(z.enum(['driver', 'lookout'])).check(z.minLength(1)), ['driver']),
  /** Whether showing a needed drill on the boat herself counts as having passed it. */
  demonstrationCounts: z._default(z.boolean(), true),
  /** How what the cast-off check finds is taken, where it is not taken as usual. */
  castOff: z._default(CastOffRules, {}),
  /** Sums that somebody names freely, minor units: up to the first a hand may, from the second on a manager is asked again. */
  freeLine: z._default(z.object({ handMinor: z.int().check(z.gte(0)), askMinor: z.int().check(z.gt(0)) }), {
    handMinor: 20_000,
    askMinor: 200_000,
  }),
  /** Minutes a boat is kept free between two hires, to be turned round. */
  turnaroundMinutes: z._default(z.int().check(z.gte(0), z.lte(1440)), 30),
  /** Hires that begin or end when a base is closed, in the dark, or after the water’s curfew. */
  outsideHours: z._default(z.enum(OUTSIDE_HOURS), 'ask'),
  /** Hours a day under power that renters usually make; what is in the tank is judged by it. */
  underWayHoursADay: z._default(z.number().check(z.gt(0), z.lte(24)), 3),
  points: z._default(z.array(GeneralPoint), []),
  /** The operator's terms: read back before departure is signed, and at the foot of statements. */
  clauses: z.optional(Clauses),
});
export type HandoverPolicy = z.infer<typeof HandoverPolicy>;
