import fc from 'fast-check';
import { NEWTONS } from '../fleet/jacketKinds';
import { giveJackets, type Rack } from './assignment';
import { type Person, SIZES, SWIMS } from './people';
import type { RuleSet } from './rules';
import { comesFirst, misfit } from './suits';

const rules: RuleSet = {
  format: 'quay-rules/1',
  id: 'lake',
  name: { en: 'Lake' },
  about: { en: 'Children and weak swimmers.' },
  childUnder: 12,
  wear: [],
  newtons: { well: 50, weakly: 100, not: 150, child: 100, towed: 50 },
  selfInflating: { fromAge: 16, fromKg: 40 },
  handInflating: { fromAge: 16, swims: ['well'] },
  driver: { fromAge: 18, licence: false },
  lookout: { needed: true, fromAge: 14 },
};

const person = fc.record(
  {
    age: fc.integer({ min: 0, max: 80 }),
    massKg: fc.integer({ min: 3, max: 140 }),
    size: fc.constantFrom(...SIZES),
    swims: fc.constantFrom(...SWIMS),
    towed: fc.boolean(),
  },
  { requiredKeys: ['swims'] },
);
const rack = fc
  .record({
    kind: fc.constantFrom('foam', 'selfInflating', 'handInflating'),
    fromKg: fc.constantFrom(0, 10, 20, 30, 40, 60),
    span: fc.constantFrom(10, 20, 40, 100),
    newtons: fc.constantFrom(...NEWTONS),
    where: fc.constantFrom('aboard', 'store'),
    count: fc.integer({ min: 0, max: 3 }),
  })
  .map(({ fromKg, span, where, count, ...rest }) => ({ where, count, jacket: { ...rest, fromKg, toKg: fromKg + span } }));

type Ranks = readonly [served: number, first: number, kept: number, tight: number, aboard: number];
const better = (a: Ranks, b: Ranks): boolean => {
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return a[i]! > b[i]!;
  return false;
};

/** Every way there is of giving out the jackets, one person after the other. */
const bestByTrying = (people: Person[], units: Rack[], worn: ReadonlyMap<string, { fitting: string; where: Rack['where'] }>): Ranks => {
  let best: Ranks = [-1, 0, 0, 0, 0];
  const used = new Set<number>();
  const visit = (i: number, so: Ranks) => {
    const one = people[i];
    if (!one) {
      if (better(so, best)) best = so;
      return;
    }
    visit(i + 1, so);
    const tried = new Set<Rack>();
    for (const [j, unit] of units.entries()) {
      if (used.has(j) || tried.has(unit) || misfit(one, unit.jacket, rules) !== undefined) continue;
      tried.add(unit);
      used.add(j);
      const has = worn.get(one.id);
      visit(i + 1, [
        so[0] + 1,
        so[1] + (comesFirst(one, rules) ? 1 : 0),
        so[2] + (has?.fitting === unit.fitting && has.where === unit.where ? 1 : 0),
        so[3] - (unit.jacket.toKg - unit.jacket.fromKg),
        so[4] - (unit.where === 'store' ? 1 : 0),
      ]);
      used.delete(j);
    }
  };
  visit(0, [0, 0, 0, 0, 0]);
  return best;
};

describe('giving out jackets', () => {
  const cases = fc.record({
    people: fc
      .array(person, { minLength: 1, maxLength: 7 })
      .map((rows) => rows.map((row, i): Person => ({ ...row, id: `p${i}`, name: '' }))),
    racks: fc.array(rack, { maxLength: 5 }).map((rows) => rows.map((row, i): Rack => ({ ...row, fitting: `f${i}` }))),
    wears: fc.array(fc.integer({ min: -3, max: 4 }), { minLength: 7, maxLength: 7 }),
  });

  it('is as good as the best of all ways, and every blocking group holds fewer jackets than people', () => {
    let unserved = 0;
    fc.assert(
      fc.property(cases, ({ people, racks, wears }) => {
        const units = racks.flatMap((one) => Array.from({ length: one.count }, () => one));
        fc.pre(units.length <= 8);
        const worn = new Map(
          people.flatMap(({ id }, i) => {
            const at = racks[wears[i]!];
            return at ? [[id, { fitting: at.fitting, where: at.where }] as const] : [];
          }),
        );
        const got = giveJackets(people, racks, rules, worn);
        const of = (id: string) => people.find((one) => one.id === id)!;
        for (const { person: id, rack: one } of got.given) expect(misfit(of(id), one.jacket, rules)).toBeUndefined();
        for (const one of racks) expect(got.given.filter((given) => given.rack === one).length).toBeLessThanOrEqual(one.count);
        const ranks: Ranks = [
          got.given.length,
          got.given.filter(({ person: id }) => comesFirst(of(id), rules)).length,
          got.given.filter(({ person: id, rack: one }) => worn.get(id)?.fitting === one.fitting && worn.get(id)?.where === one.where)
            .length,
          -got.given.reduce((sum, { rack: one }) => sum + one.jacket.toKg - one.jacket.fromKg, 0),
          -got.given.filter(({ rack: one }) => one.where === 'store').length,
        ];
        // Zero and minus zero are one figure here.
        expect(ranks.map((n) => n + 0)).toEqual(bestByTrying(people, units, worn).map((n) => n + 0));
        unserved += got.unserved.length;
        expect(got.short.flatMap((group) => group.people)).toEqual(expect.arrayContaining(got.unserved));
        expect(got.short.reduce((sum, { missing }) => sum + missing, 0)).toBe(got.unserved.length);
        for (const group of got.short) {
          const neighbourhood = units.filter(({ jacket }) => group.people.some((id) => misfit(of(id), jacket, rules) === undefined)).length;
          expect(group.jackets).toBe(neighbourhood);
          expect(neighbourhood).toBeLessThan(group.people.length);
        }
      }),
      { numRuns: 3000 },
    );
    // A run that never comes short would prove nothing about blocking groups.
    expect(unserved).toBeGreaterThan(300);
  });

  it('settles one person with one of the jackets a short group is said to want', () => {
    const child = (id: string): Person => ({ id, name: id, age: 8, size: 'child', swims: 'weakly' });
    const racks: Rack[] = [
      { fitting: 'c', where: 'aboard', count: 2, jacket: { kind: 'foam', fromKg: 20, toKg: 30, newtons: 100 } },
      { fitting: 'a', where: 'aboard', count: 8, jacket: { kind: 'foam', fromKg: 40, toKg: 130, newtons: 100 } },
    ];
    const people = ['x', 'y', 'z'].map(child);
    const { short } = giveJackets(people, racks, rules);
    expect(short).toEqual([
      expect.objectContaining({
        people: ['x', 'y', 'z'],
        fromKg: 20,
        toKg: 30,
        jackets: 2,
        missing: 1,
        wants: [{ fromKg: 20, toKg: 30, newtons: 100, foam: true }],
      }),
    ]);
    const [want] = short[0]!.wants;
    const lent: Rack = {
      fitting: 's',
      where: 'store',
      count: 1,
      jacket: { kind: 'foam', fromKg: want!.fromKg, toKg: want!.toKg, newtons: 100 },
    };
    const after = giveJackets(people, [...racks, lent], rules);
    expect(after.unserved).toEqual([]);
    expect(after.given.filter(({ rack: { where } }) => where === 'store').length).toBe(1);
  });

  it('gives nobody a jacket while their mass is unknown, and says so', () => {
    const racks: Rack[] = [{ fitting: 'a', where: 'aboard', count: 3, jacket: { kind: 'foam', fromKg: 0, toKg: 200, newtons: 150 } }];
    expect(giveJackets([{ id: 'q', name: '', age: 30, swims: 'well' }], racks, rules)).toMatchObject({
      given: [],
      unserved: [],
      unknown: ['q'],
    });
  });
});

describe('whether a jacket suits', () => {
  const foam = { kind: 'foam', fromKg: 40, toKg: 90, newtons: 100 } as const;
  const auto = { ...foam, kind: 'selfInflating' } as const;
  const grown: Person = { id: 'a', name: '', age: 40, massKg: 70, swims: 'well' };
  it.each([
    ['over the whole range of a size', { ...grown, massKg: undefined, size: 'large' as const }, foam, 'tooSmall'],
    ['a mass below its range', { ...grown, massKg: 39 }, foam, 'tooLarge'],
    ['buoyancy by how somebody swims', { ...grown, swims: 'not' as const }, foam, 'tooLittleBuoyancy'],
    ['no inflating one for a child', { ...grown, age: 11, massKg: 45 }, auto, 'inflatingNotForThem'],
    ['no inflating one for an age nobody told', { ...grown, age: undefined }, auto, 'inflatingNotForThem'],
    ['no inflating one behind the boat', { ...grown, towed: true }, auto, 'inflatingNotForThem'],
    [
      'one that waits for a pull for good swimmers alone',
      { ...grown, swims: 'weakly' as const },
      { ...foam, kind: 'handInflating' as const },
      'inflatingNotForThem',
    ],
    ['a grown-up', grown, auto, undefined],
  ])('%s', (_, who, jacket, why) => {
    expect(misfit(Object.fromEntries(Object.entries(who).filter(([, value]) => value !== undefined)) as Person, jacket, rules)).toBe(why);
  });
});
