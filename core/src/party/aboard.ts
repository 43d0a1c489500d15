import { BOAT_STATES, type BoatState, type Place } from '../fleet/places';
import { massRange, type Person } from './people';
import type { RuleSet, WearRule } from './rules';

/** When somebody must wear their jacket: the states of the boat, in the usual order; all of them means always. */
export const wearsWhen = (person: Person, rules: RuleSet): BoatState[] => {
  const states = new Set(rules.wear.filter(({ who }) => concerns(who, person)).flatMap(({ when }) => when));
  return BOAT_STATES.filter((state) => states.has(state));
};

const concerns = (who: WearRule['who'], { age, swims, towed }: Person): boolean => {
  if (who === 'everyone') return true;
  if (who === 'towed') return towed === true;
  if ('underAge' in who) return age === undefined || age < who.underAge;
  return who.swims.includes(swims);
};

export type Plate = { people: number; loadKg: number };
export type Overload =
  | { is: 'heads'; have: number; may: number }
  /** `have` is the range of what the party may weigh; `sure` when even the lightest it can be is too much. */
  | { is: 'load'; haveKg: readonly [number, number]; mayKg: number; sure: boolean }
  /** More people than the decks together may carry while she does this. */
  | { is: 'decks'; state: BoatState; have: number; may: number };

/** How many may be aboard while she does something: the sum of her decks that are open then, and never more than the plate. */
export const roomWhile = (state: BoatState, plate: Plate, places: readonly Place[]): number => {
  const open = places.filter(({ never }) => !never?.includes(state));
  if (places.length === 0 || open.some(({ people }) => people === undefined)) return plate.people;
  return Math.min(
    plate.people,
    open.reduce((sum, { people }) => sum + people!, 0),
  );
};

/** What is too much aboard, by the plate and by the decks. People whose mass nobody knows count as heads alone. */
export const overloads = (people: readonly Person[], plate: Plate, places: readonly Place[]): Overload[] => {
  const faults: Overload[] = [];
  if (people.length > plate.people) faults.push({ is: 'heads', have: people.length, may: plate.people });
  const ranges = people.map((person) => massRange(person) ?? [0, 0]);
  const haveKg = [ranges.reduce((sum, [low]) => sum + low, 0), ranges.reduce((sum, [, high]) => sum + high, 0)] as const;
  if (haveKg[1] > plate.loadKg) faults.push({ is: 'load', haveKg, mayKg: plate.loadKg, sure: haveKg[0] > plate.loadKg });
  if (people.length <= plate.people) {
    for (const state of BOAT_STATES) {
      // On the slide and in the water they are not on a deck.
      if (state === 'slide' || state === 'swimmers') continue;
      const may = roomWhile(state, plate, places);
      if (people.length > may) faults.push({ is: 'decks', state, have: people.length, may });
    }
  }
  return faults;
};

export type CrewFault =
  | { is: 'noDriver' | 'noLookout' }
  | { is: 'driverTooYoung' | 'lookoutTooYoung'; person: string; fromAge: number }
  | { is: 'driverAgeUnknown' | 'lookoutAgeUnknown' | 'noLicence'; person: string }
  | { is: 'onlyThemselves'; person: string };

/** What is wrong with who drives and who looks out. A lookout is another pair of eyes: a driver alone is none. */
export const crewFaults = (people: readonly Person[], rules: RuleSet): CrewFault[] => {
  const drivers = people.filter(({ drives }) => drives);
  const lookouts = people.filter(({ lookout }) => lookout);
  const faults: CrewFault[] = drivers.length === 0 ? [{ is: 'noDriver' }] : [];
  for (const { id, age, licence } of drivers) {
    if (age === undefined) faults.push({ is: 'driverAgeUnknown', person: id });
    else if (age < rules.driver.fromAge) faults.push({ is: 'driverTooYoung', person: id, fromAge: rules.driver.fromAge });
    if (rules.driver.licence && !licence) faults.push({ is: 'noLicence', person: id });
  }
  if (!rules.lookout.needed) return faults;
  if (lookouts.length === 0) faults.push({ is: 'noLookout' });
  for (const { id, age } of lookouts) {
    if (age === undefined) faults.push({ is: 'lookoutAgeUnknown', person: id });
    else if (age < rules.lookout.fromAge) faults.push({ is: 'lookoutTooYoung', person: id, fromAge: rules.lookout.fromAge });
  }
  if (lookouts.length === 1 && drivers.length === 1 && lookouts[0]!.id === drivers[0]!.id)
    faults.push({ is: 'onlyThemselves', person: drivers[0]!.id });
  return faults;
};
