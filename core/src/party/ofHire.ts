import { departureFault } from '../condition/counts';
import { counted } from '../condition/events';
import { digestOf } from '../events/canonical';
import { type HireRecord, currentOf, currentUnder } from '../events/record';
import type { Base } from '../fleet/base';
import type { Book } from '../fleet/book';
import type { Jacket } from '../fleet/jacket';
import type { HandoverPolicy } from '../fleet/handoverPolicy';
import type { Policies } from '../policy/policies';
import type { Handover } from '../policy/policy';
import { dateOf } from '../time/zone';
import { policiesFor } from '../waters/policies';
import type { Waters } from '../waters/zone';
import { crewFaults, type CrewFault, type Overload, overloads } from './aboard';
import { type Assignment, giveJackets, type Rack, type Worn } from './assignment';
import { jacketGiven, partySet } from './events';
import type { Party, Person } from './people';
import type { RuleSet } from './rules';
import { type Misfit, misfit } from './suits';

/** Who is aboard on one hire and what they wear, read off its record. */

/** What is known of a hire beside its record. */
export type Case = {
  hire: {
    id: string;
    boat: string;
    from: string;
    to: string;
    party: { adults: number; children: number };
    handover?: Handover | undefined;
  };
  book: Book;
  base: Base;
  waters: Waters | null;
  rules: RuleSet | null;
  operator: HandoverPolicy;
  briefedBefore: Readonly<Record<string, string>>;
  sheets: readonly { salt: string; party: Party }[];
};

export const policiesOf = (of: Pick<Case, 'operator' | 'base' | 'waters'>): Policies =>
  policiesFor({ policies: of.operator.policies, base: of.base, waters: of.waters ?? undefined });

/** Who is aboard, once somebody has said; the sheet may be gone, or not have come yet. */
export const peopleOf = (record: HireRecord, sheets: Case['sheets']): Person[] | undefined => {
  const set = currentOf(record, ['party'], partySet);
  return set && sheets.find((sheet) => digestOf(sheet) === set.value.sheet)?.party.people;
};

/**
 * The local day by which dates of expiry are judged: the day she leaves, or today where that has passed.
 * @param now ISO instant
 */
export const dayOfUse = (of: { hire: { from: string }; base: { zone: string } }, now: string): string =>
  [dateOf(of.hire.from, of.base.zone), dateOf(now, of.base.zone)].sort()[1]!;

/** Jackets that can be given out: what is aboard as last counted, and what the store lends. */
export const racksOf = (record: HireRecord, { book, base }: Pick<Case, 'book' | 'base'>, today: string): Rack[] => [
  ...book.fittings.flatMap((fitting): Rack[] => {
    if (!fitting.jacket) return [];
    const count = currentOf(record, ['out', 'count', fitting.id], counted)?.value;
    // Out of date or damaged ones are not given to anybody; how many of a line are, one count does not say.
    const fault = departureFault({ ...fitting, count: 0 }, count, today);
    return [{ fitting: fitting.id, jacket: fitting.jacket, where: 'aboard', count: fault ? 0 : (count?.count ?? fitting.count) }];
  }),
  ...base.store.flatMap((item): Rack[] =>
    item.jacket ? [{ fitting: item.id, jacket: item.jacket, where: 'store', count: item.count }] : [],
  ),
];

const wornOf = (record: HireRecord): Worn =>
  new Map(currentUnder(record, ['jacket'], jacketGiven).map(({ value }) => [value.person, { fitting: value.fitting, where: value.where }]));

/** What somebody brought from home: the label's figures, and why it does not count, if so. */
export type Brought = { person: string; jacket: Jacket; not: Misfit | 'policy' | undefined };

/** The line under which a jacket is entered that somebody brought. */
export const OWN_JACKET = 'own';

/** Jackets from home, as somebody confirmed them, judged by the policy and by whom they have to fit. */
const broughtOf = (record: HireRecord, people: readonly Person[], rules: RuleSet, policy: Policies['ownJackets']): Brought[] =>
  people.flatMap((person) => {
    const found = currentOf(record, ['jacket', person.id], jacketGiven);
    const jacket = found?.value.jacket;
    if (!found || !jacket) return [];
    const byRenter = found.by.actor.role === 'renter';
    const counts = policy === 'confirmedByRenter' || (policy === 'confirmedByHand' && !byRenter);
    return [{ person: person.id, jacket, not: counts ? misfit(person, jacket, rules) : 'policy' }];
  });

export type Fit = Assignment & { people: Person[]; rules: RuleSet; overloads: Overload[]; crew: CrewFault[]; brought: Brought[] };

/** @returns nothing while the party or the rules of these waters are unknown */
export const fitOf = (
  record: HireRecord,
  of: Pick<Case, 'book' | 'base' | 'rules' | 'sheets' | 'operator' | 'waters'>,
  today: string,
): Fit | undefined => {
  const people = peopleOf(record, of.sheets);
  if (!people || !of.rules) return undefined;
  const brought = broughtOf(record, people, of.rules, policiesOf(of).ownJackets);
  const own = new Map(brought.flatMap(({ person, jacket, not }) => (not === undefined ? [[person, jacket] as const] : [])));
  // Whoever has their own leaves one to the others.
  const others = people.filter(({ id }) => !own.has(id));
  const assigned = giveJackets(others, racksOf(record, of, today), of.rules, wornOf(record));
  return {
    ...assigned,
    given: [
      ...assigned.given,
      ...[...own].map(([person, jacket]) => ({ person, rack: { fitting: OWN_JACKET, jacket, where: 'brought' as const, count: 1 } })),
    ],
    brought,
    people,
    rules: of.rules,
    overloads: overloads(people, of.book.plate, of.book.places),
    crew: crewFaults(people, of.rules),
  };
};

/** People for whom a jacket was found and who have not been given it. */
export const withoutTheirJacket = (record: HireRecord, { given }: Pick<Fit, 'given'>): string[] =>
  given.flatMap(({ person, rack }) => {
    const worn = currentOf(record, ['jacket', person], jacketGiven)?.value;
    return worn?.fitting === rack.fitting && worn.where === rack.where ? [] : [person];
  });
