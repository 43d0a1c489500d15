import { POLICIES, POLICY_TOPICS, type PolicyTopic } from '../policy/policy';
import type { Wording } from '../words/words';
import type { Book } from './book';
import { Condition } from './condition';

/** What a policy changes in the books: before one is kept, somebody sees what will be said then and what no longer. */

/** Something that is said under one option of a policy and not under every one. */
export type PolicyText = { say: Wording; boats: string[] };
/** By matter and option. */
export type PolicyTexts = Partial<Record<PolicyTopic, Record<string, PolicyText[]>>>;

/** What the program itself does otherwise by a policy, beside what the books say. */
export const COMPUTED_POLICIES: readonly PolicyTopic[] = [
  'handover',
  'firstCall',
  'beach',
  'night',
  'towing',
  'bowAnchoringOnly',
  'ownJackets',
  'anchorLine',
  'breach',
];

type Options = ReadonlyMap<PolicyTopic, ReadonlySet<string>>;

const matterOf = (fact: string): PolicyTopic | undefined =>
  fact.startsWith('policy.') ? POLICY_TOPICS.find((topic) => topic === fact.slice('policy.'.length)) : undefined;

/** Which options of which matters a condition names; deeper than any condition that was kept is not looked. */
const optionsOf = (condition: Condition, named: Book['conditions'], depth = 0): Options => {
  if (depth > 12) return new Map();
  if ('named' in condition) {
    const found = named?.[condition.named];
    return found ? optionsOf(found, named, depth + 1) : new Map();
  }
  if ('not' in condition) {
    const inner = optionsOf(condition.not, named, depth + 1);
    return new Map([...inner].map(([topic, options]) => [topic, new Set(POLICIES[topic].filter((one) => !options.has(one)))]));
  }
  if ('fact' in condition) {
    const topic = matterOf(condition.fact);
    const values = (condition.in ?? (condition.is === undefined ? [] : [condition.is])).map(String);
    return topic === undefined ? new Map() : new Map([[topic, new Set(values)]]);
  }
  const all = new Map<PolicyTopic, Set<string>>();
  for (const part of 'all' in condition ? condition.all : condition.any)
    for (const [topic, options] of optionsOf(part, named, depth + 1)) all.set(topic, new Set([...(all.get(topic) ?? []), ...options]));
  return all;
};

type Conditioned = { when: Condition; say: Wording };
/** Everything in a book that is said under a condition, wherever it lies. */
const conditioned = (value: unknown, found: Conditioned[] = []): Conditioned[] => {
  if (Array.isArray(value)) for (const one of value) conditioned(one, found);
  else if (typeof value === 'object' && value !== null) {
    const { when, say, name } = value as { when?: unknown; say?: Wording; name?: Wording };
    const words = say ?? name;
    // Rules of a drill have a "when" of another kind.
    const read = words === undefined || when === undefined ? undefined : Condition.safeParse(when);
    if (read?.success && words !== undefined) found.push({ when: read.data, say: words });
    for (const one of Object.values(value)) conditioned(one, found);
  }
  return found;
};

/** What some boats' books say under one option of a policy only, each text once, with the boats that have it. */
export const policyTexts = (boats: readonly { name: string; book: Book }[]): PolicyTexts => {
  const texts: PolicyTexts = {};
  for (const { name, book } of boats)
    for (const { when, say } of conditioned(book))
      for (const [topic, options] of optionsOf(when, book.conditions))
        for (const option of options) {
          const rows = ((texts[topic] ??= {})[option] ??= []);
          const row = rows.find((one) => one.say.en === say.en);
          if (!row) rows.push({ say, boats: [name] });
          else if (!row.boats.includes(name)) row.boats.push(name);
        }
  return texts;
};
