import { BOAT_KINDS } from '@quay/core/fleet/book';
import { type Condition, FACTS, type Scalar } from '@quay/core/fleet/condition';
import { typedNumber } from '@quay/core/number/typed';
import { POLICIES, type PolicyTopic } from '@quay/core/policy/policy';
import { WATERS_KINDS } from '@quay/core/waters/zone';

/** One sentence of a condition: about a fact, or a named condition of the book. */
export type LeafDraft = { not: boolean } & (
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
/** Sentences of which all or any have to hold. `bare`: it stands in the file as what is within it, without a list. */
export type GroupDraft = { not: boolean; mode: 'all' | 'any'; parts: readonly PartDraft[]; bare?: true };
/** Written in a way that no sentence says; it is kept as it is. */
type OddDraft = { not: boolean; odd: Condition };
export type PartDraft = LeafDraft | GroupDraft | OddDraft;
/** A condition while it is put together: parts of which all or any have to hold, and parts within parts. */
export type ConditionDraft = {
  mode: 'all' | 'any';
  parts: readonly PartDraft[];
  /** It stands as `all` or `any` in the file, also where it is one part. */
  wrapped?: true;
};
export const NO_CONDITION: ConditionDraft = { mode: 'all', parts: [] };

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

type Test = Extract<Condition, { fact: string }>;
const leafOf = ({ fact, is, in: among, atLeast, atMost }: Test, not: boolean): LeafDraft | undefined => {
  const kind = factKind(fact);
  const bounded = atLeast !== undefined || atMost !== undefined;
  if (kind === undefined || (is !== undefined && among !== undefined)) return undefined;
  if (kind === 'number') {
    if (among !== undefined || (is !== undefined && (bounded || typeof is !== 'number'))) return undefined;
    const [low, high] = is === undefined ? [atLeast, atMost] : [Number(is), Number(is)];
    return { fact, not, values: [], atLeast: shown(low), atMost: shown(high) };
  }
  if (bounded) return undefined;
  const values = (among ?? (is === undefined ? [] : [is])).map(String);
  return { fact, not, values, atLeast: '', atMost: '', ...(among ? { listed: true as const } : {}) };
};

const partOf = (condition: Condition, not = false): PartDraft => {
  if ('not' in condition) return not ? { not, mode: 'all', parts: [partOf(condition)], bare: true } : partOf(condition.not, true);
  if ('named' in condition) return { named: condition.named, not };
  if ('fact' in condition) return leafOf(condition, not) ?? { not, odd: condition };
  return 'all' in condition
    ? { not, mode: 'all', parts: condition.all.map((one) => partOf(one)) }
    : { not, mode: 'any', parts: condition.any.map((one) => partOf(one)) };
};

/** A condition of a book, as it is put together. */
export const draftOfCondition = (condition: Condition | undefined): ConditionDraft => {
  if (condition === undefined) return NO_CONDITION;
  const part = partOf(condition);
  return 'parts' in part && !part.not && !part.bare
    ? { mode: part.mode, parts: part.parts, wrapped: true }
    : { mode: 'all', parts: [part] };
};

export type ConditionFault = 'asksNothing' | 'number';

/** What was typed for a value, as the fact has it. */
const scalarOf = (fact: string, value: string): Scalar =>
  fact === 'hire.month' ? Number(value) : factKind(fact) === 'flag' ? value === 'true' : value;

const readLeaf = (part: LeafDraft): Condition | ConditionFault => {
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

const readParts = (parts: readonly PartDraft[]): Condition[] | ConditionFault => {
  const read: Condition[] = [];
  for (const part of parts) {
    const one = readPart(part);
    if (typeof one === 'string') return one;
    read.push(one);
  }
  return read;
};

const readPart = (part: PartDraft): Condition | ConditionFault => {
  const read = readInner(part);
  return typeof read === 'string' || !part.not ? read : { not: read };
};
const readInner = (part: PartDraft): Condition | ConditionFault => {
  if ('odd' in part) return part.odd;
  if (!('parts' in part)) return readLeaf(part);
  const parts = readParts(part.parts);
  if (typeof parts === 'string') return parts;
  const [only] = parts;
  if (only === undefined) return 'asksNothing';
  if (part.bare && parts.length === 1) return only;
  return part.mode === 'all' ? { all: parts } : { any: parts };
};

/** What was put together, as a condition; none where there are no parts. */
export const readCondition = (draft: ConditionDraft): { ok: true; value: Condition | undefined } | { ok: false; fault: ConditionFault } => {
  const parts = readParts(draft.parts);
  if (typeof parts === 'string') return { ok: false, fault: parts };
  if (parts.length === 0) return { ok: true, value: undefined };
  if (parts.length === 1 && !draft.wrapped) return { ok: true, value: parts[0] };
  return { ok: true, value: draft.mode === 'all' ? { all: parts } : { any: parts } };
};
