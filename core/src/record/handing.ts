import { slot, slotsUnder, type HireRecord } from '../events/record';
import { jacketGiven, languageChosen, partySet } from '../fit/events';
import { counted } from '../condition/events';
import { briefingSet, pointRead, pointTold, understandingShown } from '../briefing/events';
import { type Briefing, compose } from '../briefing/compose';
import { factsOf, schoolsFor } from '../briefing/facts';
import { dueQuestions, type Shown, type Told, type Understanding, understandingOf } from '../briefing/understanding';
import type { Base } from '../fleet/base';
import type { Book } from '../fleet/book';
import type { Facts } from '../fleet/condition';
import type { Handing } from '../fleet/operator';
import type { Schools } from '../fleet/schools';
import type { Point } from '../fleet/telling';
import { crewFaults, type CrewFault, type Overload, overloads } from '../fit/aboard';
import { type Assignment, giveJackets, type Rack, type Worn } from '../fit/assignment';
import type { Party, Person } from '../fit/people';
import type { RuleSet } from '../fit/rules';
import { type Misfit, misfit } from '../fit/suits';
import type { Jacket } from '../fleet/jacket';
import { departureFault } from '../condition/counts';
import { dateOf } from '../time/zone';
import type { Waters } from '../waters/zone';
import { digestOf } from '../events/canonical';
import { happenedAt } from '../events/stored';

/** Fit and briefing of one hire, read off its record. */

export type Case = {
  hire: { id: string; boat: string; from: string; to: string; party: { adults: number; children: number } };
  book: Book;
  base: Base;
  waters: Waters | null;
  rules: RuleSet | null;
  operator: Handing;
  toldBefore: Readonly<Record<string, string>>;
  sheets: readonly { salt: string; party: Party }[];
};

/** Who is aboard, once somebody has said; the sheet may be gone, or not have come yet. */
export const peopleOf = (record: HireRecord, sheets: Case['sheets']): Person[] | undefined => {
  const set = slot(record, ['party'], partySet);
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
    const count = slot(record, ['out', 'count', fitting.id], counted)?.value;
    // Out of date or damaged ones are not given to anybody; how many of a line are, one count does not say.
    const fault = departureFault({ ...fitting, count: 0 }, count, today);
    return [{ fitting: fitting.id, jacket: fitting.jacket, where: 'aboard', count: fault ? 0 : (count?.count ?? fitting.count) }];
  }),
  ...base.store.flatMap((item): Rack[] =>
    item.jacket ? [{ fitting: item.id, jacket: item.jacket, where: 'store', count: item.count }] : [],
  ),
];

export const wornOf = (record: HireRecord): Worn =>
  new Map(slotsUnder(record, ['jacket'], jacketGiven).map(({ value }) => [value.person, { fitting: value.fitting, where: value.where }]));

/** What somebody brought from home: the label's figures, and why it does not count, if so. */
export type Brought = { person: string; jacket: Jacket; not: Misfit | 'school' | undefined };

/** The line under which a jacket is entered that somebody brought. */
export const OWN_JACKET = 'own';

/** Jackets from home, as somebody confirmed them, judged by the school and by whom they have to fit. */
const broughtOf = (record: HireRecord, people: readonly Person[], rules: RuleSet, school: Schools['ownJackets']): Brought[] =>
  people.flatMap((person) => {
    const found = slot(record, ['jacket', person.id], jacketGiven);
    const jacket = found?.value.jacket;
    if (!found || !jacket) return [];
    const byRenter = found.by.actor.role === 'renter';
    const counts = school === 'confirmedByRenter' || (school === 'confirmedByHand' && !byRenter);
    return [{ person: person.id, jacket, not: counts ? misfit(person, jacket, rules) : 'school' }];
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
  const brought = broughtOf(record, people, of.rules, schoolsOf(of).ownJackets);
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
    const worn = slot(record, ['jacket', person], jacketGiven)?.value;
    return worn?.fitting === rack.fitting && worn.where === rack.where ? [] : [person];
  });

/** Where nobody named rules for these waters, children are judged by the commonest age. */
const NO_RULES = { childUnder: 12 } as RuleSet;

export const factsFor = (record: HireRecord, of: Case): Facts =>
  factsOf({
    boat: { id: of.hire.boat, book: of.book },
    base: of.base,
    waters: of.waters ?? undefined,
    schools: of.operator.schools,
    rules: of.rules ?? NO_RULES,
    people: peopleOf(record, of.sheets),
    booked: of.hire.party,
    from: of.hire.from,
    to: of.hire.to,
  });

export const schoolsOf = (of: Pick<Case, 'operator' | 'base' | 'waters'>): Schools =>
  schoolsFor({ schools: of.operator.schools, base: of.base, waters: of.waters ?? undefined });

/** The language the renter is spoken to in: the one that was chosen last, by them or for them, or that of the booking. */
export const languageOf = (record: HireRecord, hire: { language: string }): string => {
  const body = slot(record, ['language'], languageChosen)?.standing.at(-1)?.event.body;
  return body?.kind === 'languageChosen' ? body.language : hire.language;
};

const DAY_MS = 86_400_000;

/** The minutes there are: as set for this hire, or the operator's usual ones. */
export const minutesThere = (record: HireRecord, of: Pick<Case, 'operator'>): number =>
  slot(record, ['briefing', 'minutes'], briefingSet)?.value.minutes ?? of.operator.briefingMinutes;

export const briefingOf = (record: HireRecord, of: Case): Briefing =>
  compose({
    points: of.book.points,
    facts: factsFor(record, of),
    named: of.book.conditions,
    secondsThere: minutesThere(record, of) * 60,
    toldDays: (point) => {
      const at = of.toldBefore[point];
      return at === undefined ? undefined : Math.max(0, Math.floor((Date.parse(of.hire.from) - Date.parse(at)) / DAY_MS));
    },
  });

/** What one person answered or showed about a point. */
const shownOf = (record: HireRecord, point: string, by: 'driver' | 'lookout'): Shown[] =>
  (slot(record, ['understood', point, by], understandingShown)?.standing ?? []).flatMap((held): Shown[] => {
    const { body } = held.event;
    if (body.kind !== 'understandingShown') return [];
    const at = happenedAt(held);
    return body.how === 'demonstrated'
      ? [{ how: 'demonstrated' as const, at }]
      : [{ how: 'answered', question: body.question ?? '', right: body.right, at }];
  });

/** When it was told; to a renter who walks alone, when they read it, at home or on the quay. */
const toldAt = (record: HireRecord, point: string, alone: boolean): number | undefined => {
  const told = slot(record, ['out', 'point', point], pointTold) ?? (alone ? slot(record, ['home', point], pointRead) : undefined);
  return told && happenedAt(told.by);
};

export const understoodBy = (record: HireRecord, point: Point, by: 'driver' | 'lookout', alone = false): Understanding =>
  understandingOf(point, toldAt(record, point.id, alone), shownOf(record, point.id, by));

/** Musts of the briefing whose understanding is wanted now at this stop; at the end (`here` undefined) all that are open. */
export const questionsDue = (
  record: HireRecord,
  briefing: Briefing,
  operator: Pick<Handing, 'understandingBy'>,
  here: string | undefined,
  alone = false,
): { point: Point; by: 'driver' | 'lookout'; state: Understanding }[] =>
  operator.understandingBy.flatMap((by) => {
    const told = briefing.tell
      .filter(({ point }) => point.weight === 'must')
      .map(({ point }): Told => ({
        point,
        station: point.station,
        toldAt: toldAt(record, point.id, alone),
        shown: shownOf(record, point.id, by),
      }));
    return dueQuestions(told, here).map((due) => ({ ...due, by }));
  });

/** Minutes the telling took, from the first point to the last, by the events; nothing before two were told. */
export const minutesTaken = (record: HireRecord): number | undefined => {
  const times = slotsUnder(record, ['out', 'point'], pointTold).map(({ by }) => happenedAt(by));
  return times.length < 2 ? undefined : (Math.max(...times) - Math.min(...times)) / 60_000;
};
