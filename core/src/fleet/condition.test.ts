import fc from 'fast-check';
import { type Condition, conditionCircles, conditionFaults, type Facts } from './condition';
import { judge } from './judge';

const FACT = ['party.children', 'hire.nights', 'forecast.windMs'] as const;
const leaf: fc.Arbitrary<Condition> = fc.record({ fact: fc.constantFrom(...FACT), atLeast: fc.integer({ min: 0, max: 3 }) });
const { tree } = fc.letrec<{ tree: Condition }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small' },
    leaf,
    fc.array(tie('tree'), { minLength: 1, maxLength: 3 }).map((all) => ({ all })),
    fc.array(tie('tree'), { minLength: 1, maxLength: 3 }).map((any) => ({ any })),
    tie('tree').map((not) => ({ not })),
  ),
}));
const facts = fc.record(Object.fromEntries(FACT.map((name) => [name, fc.integer({ min: 0, max: 3 })])));

describe('judging a condition', () => {
  it('with something missing says yes or no only when every possible value says so', () => {
    fc.assert(
      fc.property(tree, facts, fc.constantFrom(...FACT), (condition, all, hidden) => {
        const known: Facts = { ...all, [hidden]: undefined };
        const verdict = judge(condition, known);
        const possible = new Set([0, 1, 2, 3, 4].map((value) => judge(condition, { ...all, [hidden]: value })));
        // Kleene's values are cautious: it may not know what every value agrees on, but never the other way round.
        if (verdict !== 'unknown') expect([...possible]).toEqual([verdict]);
      }),
      { numRuns: 2000 },
    );
  });

  it('with everything known is two-valued, and not turns it round', () => {
    fc.assert(
      fc.property(tree, facts, (condition, all) => {
        const verdict = judge(condition, all);
        expect(['yes', 'no']).toContain(verdict);
        expect(judge({ not: condition }, all)).toBe(verdict === 'yes' ? 'no' : 'yes');
      }),
    );
  });

  it('compares words, lists and bounds', () => {
    const boat = { 'boat.kind': 'canalBoat', 'hire.month': 10, 'hire.nights': 3 };
    expect(judge({ fact: 'boat.kind', in: ['canalBoat', 'houseboat'] }, boat)).toBe('yes');
    expect(judge({ fact: 'boat.kind', is: 'rib' }, boat)).toBe('no');
    expect(judge({ fact: 'hire.month', atLeast: 10, atMost: 10 }, boat)).toBe('yes');
    // A word is no number, whatever it is compared with.
    expect(judge({ fact: 'boat.kind', atLeast: 0 }, boat)).toBe('no');
    expect(judge({ named: 'long' }, boat, { long: { fact: 'hire.nights', atLeast: 2 } })).toBe('yes');
  });
});

describe('faults of conditions', () => {
  it('names circles with the way round, and judges them as unknown instead of for ever', () => {
    const named = { a: { not: { named: 'b' } }, b: { any: [{ named: 'c' }] }, c: { named: 'a' }, d: { named: 'c' } };
    expect(conditionCircles(named)).toEqual([{ path: 'conditions.a', reason: 'leads in a circle: a → b → c → a' }]);
    expect(judge({ named: 'a' }, {}, named)).toBe('unknown');
  });
  it('names facts nobody knows, names that lead nowhere and tests that ask nothing', () => {
    expect(conditionFaults({ all: [{ fact: 'moon.phase', is: 1 }, { named: 'x' }, { not: { fact: 'hire.nights' } }] }, 'when', {})).toEqual(
      [
        { path: 'when.all[0].fact', reason: 'there is no fact “moon.phase”' },
        { path: 'when.all[1].named', reason: 'there is no condition “x”' },
        { path: 'when.all[2].not', reason: expect.stringContaining('asks nothing') as string },
      ],
    );
    expect(conditionFaults({ fact: 'policy.hob', is: 'flameFirst' }, 'when', {})).toEqual([]);
  });
});
