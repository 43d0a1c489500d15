import { BOAT_KINDS } from '@quay/core/fleet/book';
import { type Condition, FACTS, type Scalar } from '@quay/core/fleet/condition';
import { typedNumber } from '@quay/core/number/typed';
import { POLICIES, type PolicyTopic } from '@quay/core/policy/policy';
import { WATERS_KINDS } from '@quay/core/waters/zone';

/**
 * A condition while it is put together: parts of which all or any have to hold, each about one fact or a named condition.
 * One that is nested deeper than that is written as it stands in the file.
 */
export type PartDraft = { not: boolean } & (
  | { named: string }
  | {
      fact: string;
      /** What it may be; of a number its bounds instead. */
      values: readonly string[];
      atLeast: string;
      atMost: string;
      /** It stands as a list in the file, also where it is one. */
      listed?: true;
    }
);
export type ConditionDraft =
  | {
      mode: 'all' | 'any';
      parts: readonly PartDraft[];
      /** It stands as `all` or `any` in the file, also where it is one part. */ wrapped?: true;
    }
  | { text: string };

const MONTHS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;

/** What a fact is: a number between bounds, one or some of several, yes or no, or a name. Unknown facts are of no kind. */
export const factKind = (fact: string): 'number' | 'choice' | 'flag' | 'name' | undefined => {
  if (fact.startsWith('policy.')) return fact.slice('policy.'.length) in POLICIES ? 'choice' : undefined;
  return (FACTS as Readonly<Record<string, 'number' | 'choice' | 'flag' | 'name'>>)[fact];
};

/** What a fact of several may be. */
export const factOptions = (fact: string): readonly string[] => {
  if (fact.startsWith('policy.')) return POLICIES[fact.slice('policy.'.length) as PolicyTopic];
  return fact === 'boat.kind' ? BOAT_KINDS : fact === 'waters.kind' ? WATERS_KINDS : fact === 'hire.month' ? MONTHS : [];
};

/** Facts one can ask about, the frequent first. */
export const ASKED: readonly string[] = [...Object.keys(FACTS), ...Object.keys(POLICIES).map((matter) => `policy.${matter}`)];

const shown = (value: number | undefined): string => (value === undefined ? '' : String(value));

const partOf = (condition: Condition, not = false): PartDraft | undefined => {
  if ('not' in condition) return not ? undefined : partOf(condition.not, true);
  if ('named' in condition) return { named: condition.named, not };
  if (!('fact' in condition)) return undefined;
  const { fact, is, in: among, atLeast, atMost } = condition;
  const kind = factKind(fact);
  if (kind === undefined || (is !== undefined && among !== undefined)) return undefined;
  const bounded = atLeast !== undefined || atMost !== undefined;
  if (kind === 'number')
    return bounded && is === undefined && among === undefined
      ? { fact, not, values: [], atLeast: shown(atLeast), atMost: shown(atMost) }
      : undefined;
  if (bounded) return undefined;
  const values = (among ?? (is === undefined ? [] : [is])).map(String);
  return { fact, not, values, atLeast: '', atMost: '', ...(among ? { listed: true as const } : {}) };
};

/** A condition of a book, as it is put together. */
export const draftOfCondition = (condition: Condition | undefined): ConditionDraft => {
  if (condition === undefined) return { mode: 'all', parts: [] };
  const single = partOf(condition);
  if (single) return { mode: 'all', parts: [single] };
  if ('all' in condition || 'any' in condition) {
    const mode = 'all' in condition ? 'all' : 'any';
    const parts = ('all' in condition ? condition.all : condition.any).map((one) => partOf(one));
    if (parts.every((part) => part !== undefined)) return { mode, parts, wrapped: true };
  }
  return { text: JSON.stringify(condition, null, 1) };
};

export type ConditionFault = 'asksNothing' | 'number' | 'noJson';

/** What was typed for a value, as the fact has it. */
const scalarOf = (fact: string, value: string): Scalar =>
  fact === 'hire.month' ? Number(value) : factKind(fact) === 'flag' ? value === 'true' : value;

const readPart = (part: PartDraft): Condition | ConditionFault => {
  if ('named' in part) return { named: part.named };
  const { fact, values, listed } = part;
  if (factKind(fact) === 'number') {
    const [low, high] = [part.atLeast.trim(), part.atMost.trim()];
    if (low === '' && high === '') return 'asksNothing';
    const [atLeast, atMost] = [low === '' ? undefined : typedNumber(low), high === '' ? undefined : typedNumber(high)];
    if (Number.isNaN(atLeast ?? 0) || Number.isNaN(atMost ?? 0)) return 'number';
    return { fact, ...(atLeast === undefined ? {} : { atLeast }), ...(atMost === undefined ? {} : { atMost }) };
  }
  const scalars = values.filter((value) => value.trim() !== '').map((value) => scalarOf(fact, value));
  if (scalars.length === 0) return 'asksNothing';
  return scalars.length > 1 || listed ? { fact, in: scalars } : { fact, is: scalars[0]! };
};

/** What was put together, as a condition; none where there are no parts. */
export const readCondition = (draft: ConditionDraft): { ok: true; value: Condition | undefined } | { ok: false; fault: ConditionFault } => {
  if ('text' in draft) {
    if (draft.text.trim() === '') return { ok: true, value: undefined };
    try {
      return { ok: true, value: JSON.parse(draft.text) as Condition };
    } catch {
      return { ok: false, fault: 'noJson' };
    }
  }
  const parts: Condition[] = [];
  for (const part of draft.parts) {
    const read = readPart(part);
    if (typeof read === 'string') return { ok: false, fault: read };
    parts.push(part.not ? { not: read } : read);
  }
  if (parts.length === 0) return { ok: true, value: undefined };
  if (parts.length === 1 && !draft.wrapped) return { ok: true, value: parts[0] };
  return { ok: true, value: draft.mode === 'all' ? { all: parts } : { any: parts } };
};
