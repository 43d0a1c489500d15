import type { Policies } from './policies';
import { policyOf, type PolicyTopic } from './policy';

/**
 * What the cast-off check looks at, and how an operator takes what it finds: a hold has to be settled, or a manager has to
 * be asked, or it is only noted. These stand apart from the shapes of files, which no browser needs to check.
 */
export const LEVELS = ['hold', 'ask', 'note'] as const;
export type Level = (typeof LEVELS)[number];

/** As matters are usually taken; each operator may take each of them otherwise. */
const USUAL_LEVEL = {
  safetyFitting: 'hold',
  propeller: 'ask',
  said: 'hold',
  defect: 'hold',
  drill: 'hold',
  conflict: 'hold',
  noParty: 'hold',
  crewOpen: 'hold',
  jacketsOpen: 'hold',
  notTold: 'hold',
  notUnderstood: 'ask',
  notAsked: 'note',
  gaugesDisagree: 'ask',
  pictureMissing: 'hold',
  deposit: 'ask',
  fuel: 'ask',
  levelShort: 'ask',
  levelTight: 'note',
  wind: 'ask',
  light: 'ask',
  towing: 'ask',
} as const satisfies Record<string, Level>;
export type Overridable = keyof typeof USUAL_LEVEL;
/** What a policy may forbid: where it does, and the operator has not said how it is taken, it holds the boat. */
const FORBIDDEN_BY = { light: 'night', towing: 'towing' } as const satisfies Partial<Record<Overridable, PolicyTopic>>;

/** How a matter is taken where the operator has not said how, under the policies that hold. */
export const usualLevel = (matter: Overridable, policies: Policies): Level => {
  const topic = matter in FORBIDDEN_BY ? FORBIDDEN_BY[matter as keyof typeof FORBIDDEN_BY] : undefined;
  return topic !== undefined && policyOf(policies, topic) === 'forbidden' ? 'hold' : USUAL_LEVEL[matter];
};
export const OVERRIDABLE = Object.keys(USUAL_LEVEL) as Overridable[];
