import type { Jacket } from '../fleet/jacket';
import { assign } from '../matching/assign';
import { massRange, type Person } from './people';
import type { RuleSet } from './rules';
import { comesFirst, misfit, newtonsFor } from './suits';

/** Jackets of one make, serviceable ones only: a line of the boat's equipment or of the store, or somebody's own. */
export type Rack = { fitting: string; jacket: Jacket; where: 'aboard' | 'store' | 'brought'; count: number };
/** What somebody already wears, by the hand who gave it. */
export type Worn = ReadonlyMap<string, { fitting: string; where: Rack['where'] }>;

/** People who compete for too few jackets. Every jacket that suits any of them is among the ones counted. */
export type Short = {
  people: string[];
  /** From the lightest to the heaviest any of them may be, kg. */
  fromKg: number;
  toKg: number;
  jackets: number;
  missing: number;
  /** One more of these for any of them settles it for one. */
  wants: { fromKg: number; toKg: number; newtons: number; foam: boolean }[];
};

export type Assignment = {
  given: { person: string; rack: Rack }[];
  unserved: string[];
  /** Whose mass nobody knows: no jacket can be said to fit. */
  unknown: string[];
  short: Short[];
};

/** Costs are whole numbers in steps that cannot reach into the next: served, then who comes first, then what is worn already, then tightness, then aboard before store. */
const STORE = 1;
const PER_KG = 100;
const KEEP = 2_000_000;
const FIRST = 200_000_000;
const SERVED = 20_000_000_000;
const ALONE = 2 * SERVED;

const unitsOf = (racks: readonly Rack[]): { rack: Rack }[] => racks.flatMap((rack) => Array.from({ length: rack.count }, () => ({ rack })));

/**
 * The best way to give out jackets: most people served; among those, children and weak swimmers first; then whoever
 * wears one that suits keeps it; then the tightest ranges; then jackets aboard before the store.
 */
export const giveJackets = (people: readonly Person[], racks: readonly Rack[], rules: RuleSet, worn: Worn = new Map()): Assignment => {
  const units = unitsOf(racks);
  const known = people.filter((person) => massRange(person) !== undefined);
  const suits = known.map((person) => {
    const byRack = new Map(racks.map((rack) => [rack, misfit(person, rack.jacket, rules) === undefined]));
    return units.map(({ rack }) => byRack.get(rack)!);
  });
  const cost = known.map((person, i) =>
    units.map(({ rack }, j) => {
      if (!suits[i]![j]) return Infinity;
      const has = worn.get(person.id);
      const benefit =
        SERVED +
        (comesFirst(person, rules) ? FIRST : 0) +
        (has?.fitting === rack.fitting && has.where === rack.where ? KEEP : 0) -
        Math.round(rack.jacket.toKg - rack.jacket.fromKg) * PER_KG -
        (rack.where === 'store' ? STORE : 0);
      return ALONE - benefit;
    }),
  );
  const chosen = units.length === 0 ? known.map(() => -1) : assign(cost, ALONE);
  const given = known.flatMap((person, i) => (chosen[i]! >= 0 ? [{ person: person.id, rack: units[chosen[i]!]!.rack }] : []));
  const unserved = known.filter((_, i) => chosen[i]! < 0);
  return {
    given,
    unserved: unserved.map(({ id }) => id),
    unknown: people.filter((person) => massRange(person) === undefined).map(({ id }) => id),
    short: shortages(known, suits, chosen, rules),
  };
};

/**
 * The groups that block: from each person without a jacket along alternating paths to whoever holds one that would suit.
 * A matching of most people leaves no free jacket there, so the group holds fewer jackets than people (Hall 1935).
 */
const shortages = (
  people: readonly Person[],
  suits: readonly (readonly boolean[])[],
  chosen: readonly number[],
  rules: RuleSet,
): Short[] => {
  const holder = new Map(chosen.flatMap((unit, person) => (unit >= 0 ? [[unit, person] as const] : [])));
  const groups = new Set<{ people: Set<number>; units: Set<number> }>();
  for (const [start, unit] of chosen.entries()) {
    if (unit >= 0) continue;
    const reached = { people: new Set([start]), units: new Set<number>() };
    const queue = [start];
    for (let person = queue.pop(); person !== undefined; person = queue.pop()) {
      for (const [j, fits] of suits[person]!.entries()) {
        if (!fits || reached.units.has(j)) continue;
        reached.units.add(j);
        const other = holder.get(j);
        if (other !== undefined && !reached.people.has(other)) {
          reached.people.add(other);
          queue.push(other);
        }
      }
    }
    // Groups that touch are one quarrel about the same jackets.
    for (const group of [...groups]) {
      if (![...reached.people].some((person) => group.people.has(person))) continue;
      for (const person of group.people) reached.people.add(person);
      for (const one of group.units) reached.units.add(one);
      groups.delete(group);
    }
    groups.add(reached);
  }
  return [...groups].map((group) => {
    const members = [...group.people].sort((a, b) => a - b).map((i) => people[i]!);
    const ranges = members.map((person) => massRange(person)!);
    const wants = members.map((person) => {
      const [fromKg, toKg] = massRange(person)!;
      return { fromKg, toKg, newtons: newtonsFor(person, rules), foam: !mayInflate(person, rules) };
    });
    return {
      people: members.map(({ id }) => id),
      fromKg: Math.min(...ranges.map(([low]) => low)),
      toKg: Math.max(...ranges.map(([, high]) => high)),
      jackets: group.units.size,
      missing: members.length - group.units.size,
      wants: wants.filter((want, i) => wants.findIndex((other) => JSON.stringify(other) === JSON.stringify(want)) === i),
    };
  });
};

const mayInflate = (person: Person, rules: RuleSet): boolean =>
  misfit(person, { kind: 'selfInflating', fromKg: 0, toKg: 250, newtons: 275 }, rules) === undefined;
