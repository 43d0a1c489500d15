import type { Jacket } from '../fleet/jacket';
import { massRange, type Person } from './people';
import type { RuleSet } from './rules';

/** Why a jacket does not suit somebody; in the order in which they are told. */
export type Misfit = 'massUnknown' | 'tooSmall' | 'tooLarge' | 'tooLittleBuoyancy' | 'inflatingNotForThem';

/** Children and weak swimmers are served before others. Somebody of unknown age counts by mass. */
export const comesFirst = (person: Person, rules: RuleSet): boolean => isChild(person, rules) || person.swims !== 'well';

/** By age where it is told, else by a size that no grown-up has. */
export const isChild = ({ age, ...mass }: Person, rules: RuleSet): boolean =>
  age !== undefined ? age < rules.childUnder : (massRange(mass)?.[1] ?? Infinity) <= 40;

/** The least buoyancy class for somebody, N: the highest that any of the rules about them asks for. */
export const newtonsFor = (person: Person, rules: RuleSet): number =>
  Math.max(rules.newtons[person.swims], isChild(person, rules) ? rules.newtons.child : 0, person.towed ? rules.newtons.towed : 0);

const inflatingFits = (person: Person, jacket: Jacket, rules: RuleSet): boolean => {
  if (jacket.kind === 'foam') return true;
  // It must hold for the whole range of masses, and an age nobody told is not assumed.
  const [leastKg] = massRange(person) ?? [0];
  if (person.towed || person.age === undefined) return false;
  if (jacket.kind === 'selfInflating') return person.age >= rules.selfInflating.fromAge && leastKg >= rules.selfInflating.fromKg;
  return person.age >= rules.handInflating.fromAge && rules.handInflating.swims.includes(person.swims);
};

/** Why this jacket does not suit this person; undefined when it does. Serviceability is judged by the count, before. */
export const misfit = (person: Person, jacket: Jacket, rules: RuleSet): Misfit | undefined => {
  const range = massRange(person);
  if (!range) return 'massUnknown';
  if (range[1] > jacket.toKg) return 'tooSmall';
  if (range[0] < jacket.fromKg) return 'tooLarge';
  if (jacket.newtons < newtonsFor(person, rules)) return 'tooLittleBuoyancy';
  return inflatingFits(person, jacket, rules) ? undefined : 'inflatingNotForThem';
};
