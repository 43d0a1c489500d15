import * as z from 'zod/mini';
import { POLICY_TOPICS } from '../policy/policy';
import { BookId } from '../words/words';

/**
 * When something applies, as data. Judged with three values: what cannot be judged is neither true nor false, and
 * whoever asks decides what that means (a point that cannot be judged is kept).
 */
export type Scalar = string | number | boolean;
export type Condition =
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition }
  /** One of the book's named conditions. */
  | { named: string }
  | {
      fact: string;
      is?: Scalar | undefined;
      in?: Scalar[] | undefined;
      atLeast?: number | undefined;
      atMost?: number | undefined;
    };

const scalar = z.union([z.string(), z.number(), z.boolean()]);
const nested = z.lazy(() => Condition);
export const Condition: z.ZodMiniType<Condition> = z.union([
  z.strictObject({ all: z.array(nested).check(z.minLength(1)) }),
  z.strictObject({ any: z.array(nested).check(z.minLength(1)) }),
  z.strictObject({ not: nested }),
  z.strictObject({ named: BookId }),
  z.strictObject({
    fact: z.string(),
    is: z.optional(scalar),
    in: z.optional(z.array(scalar).check(z.minLength(1))),
    atLeast: z.optional(z.number()),
    atMost: z.optional(z.number()),
  }),
]);

/** What a condition may ask about, besides `policy.<matter>`, and what the answer is: a number, one of several, yes or no, a name. */
export const FACTS = {
  'boat.kind': 'choice',
  'boat.class': 'name',
  'boat.id': 'name',
  'party.people': 'number',
  'party.adults': 'number',
  'party.children': 'number',
  'party.youngest': 'number',
  'party.weakSwimmers': 'number',
  'party.towed': 'number',
  'base.id': 'name',
  'waters.id': 'name',
  'waters.kind': 'choice',
  'hire.hours': 'number',
  'hire.nights': 'number',
  'hire.month': 'choice',
  'hire.nearDusk': 'flag',
  'forecast.windMs': 'number',
  'forecast.waterC': 'number',
  'toldWithin.days': 'number',
} as const satisfies Record<string, 'number' | 'choice' | 'flag' | 'name'>;
const KNOWN = new Set<string>([...Object.keys(FACTS), ...POLICY_TOPICS.map((matter) => `policy.${matter}`)]);

/** What is known of each fact; one that is missing cannot be judged. */
export type Facts = Readonly<Record<string, Scalar | undefined>>;
export type NamedConditions = Readonly<Record<string, Condition>>;

export type ConditionFault = { path: string; reason: string };

/** What is wrong with a condition as written: facts nobody knows, tests that are missing, names that lead nowhere. */
export const conditionFaults = (condition: Condition, path: string, named: NamedConditions): ConditionFault[] => {
  if ('all' in condition) return condition.all.flatMap((part, i) => conditionFaults(part, `${path}.all[${i}]`, named));
  if ('any' in condition) return condition.any.flatMap((part, i) => conditionFaults(part, `${path}.any[${i}]`, named));
  if ('not' in condition) return conditionFaults(condition.not, `${path}.not`, named);
  if ('named' in condition)
    return named[condition.named] === undefined ? [{ path: `${path}.named`, reason: `there is no condition “${condition.named}”` }] : [];
  const faults: ConditionFault[] = [];
  if (!KNOWN.has(condition.fact)) faults.push({ path: `${path}.fact`, reason: `there is no fact “${condition.fact}”` });
  const { is, in: among, atLeast, atMost } = condition;
  if ([is, among, atLeast, atMost].every((test) => test === undefined))
    faults.push({ path, reason: 'asks nothing about its fact: give is, in, atLeast or atMost' });
  return faults;
};

const namesIn = (condition: Condition): string[] => {
  if ('all' in condition) return condition.all.flatMap(namesIn);
  if ('any' in condition) return condition.any.flatMap(namesIn);
  if ('not' in condition) return namesIn(condition.not);
  return 'named' in condition ? [condition.named] : [];
};

/** Named conditions that lead back to themselves, each circle told once with the way round it. */
export const conditionCircles = (named: NamedConditions): ConditionFault[] => {
  const faults: ConditionFault[] = [];
  const done = new Set<string>();
  const visit = (name: string, way: readonly string[]) => {
    const at = way.indexOf(name);
    if (at >= 0) {
      faults.push({ path: `conditions.${name}`, reason: `leads in a circle: ${[...way.slice(at), name].join(' → ')}` });
      return;
    }
    if (done.has(name) || named[name] === undefined) return;
    for (const next of namesIn(named[name])) visit(next, [...way, name]);
    done.add(name);
  };
  for (const name of Object.keys(named)) visit(name, []);
  return faults;
};
