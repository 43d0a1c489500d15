import type { Condition, Facts, NamedConditions } from './condition';

export type Verdict = 'yes' | 'no' | 'unknown';

const opposite: Record<Verdict, Verdict> = { yes: 'no', no: 'yes', unknown: 'unknown' };

/** Judges a condition (Kleene's three values). Names that lead nowhere, or in a circle, cannot be judged. */
export const judge = (condition: Condition, facts: Facts, named: NamedConditions = {}, seen: readonly string[] = []): Verdict => {
  if ('all' in condition || 'any' in condition) {
    const every = 'all' in condition;
    const parts = (every ? condition.all : condition.any).map((part) => judge(part, facts, named, seen));
    const decisive = every ? 'no' : 'yes';
    return parts.includes(decisive) ? decisive : parts.includes('unknown') ? 'unknown' : opposite[decisive];
  }
  if ('not' in condition) return opposite[judge(condition.not, facts, named, seen)];
  if ('named' in condition) {
    const found = named[condition.named];
    return found === undefined || seen.includes(condition.named) ? 'unknown' : judge(found, facts, named, [...seen, condition.named]);
  }
  const value = facts[condition.fact];
  if (value === undefined) return 'unknown';
  const asNumber = typeof value === 'number' ? value : Number.NaN;
  const holds =
    (condition.is === undefined || value === condition.is) &&
    (condition.in === undefined || condition.in.includes(value)) &&
    (condition.atLeast === undefined || asNumber >= condition.atLeast) &&
    (condition.atMost === undefined || asNumber <= condition.atMost);
  return holds ? 'yes' : 'no';
};
