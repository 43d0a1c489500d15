import { chance } from '@quay/core/number/chance';
import fc from 'fast-check';
import { train, TRAINING, oddsOf, type Sample } from './forest';

const samples = (seed: number, count: number, rule: (features: readonly number[]) => boolean): Sample[] => {
  const c = chance(seed);
  return Array.from({ length: count }, () => {
    const features = [c.normal(), c.normal(), c.normal()];
    return { features, is: rule(features) };
  });
};
const right = (forest: ReturnType<typeof train>, of: readonly Sample[]) =>
  of.filter(({ features, is }) => oddsOf(forest, features) > 0 === is).length / of.length;

describe('a forest', () => {
  it('learns what no single bound says, and keeps to it where it has not been', () => {
    // Neither of the first two says anything by itself, and the third never does.
    const rule = ([a, b]: readonly number[]) => a! * b! > 0;
    const forest = train(samples(1, 1500, rule));
    expect(right(forest, samples(2, 500, rule))).toBeGreaterThan(0.9);
  });
  it('says how sure it is: of those it gives even odds, half are', () => {
    const c = chance(5);
    const noisy = (count: number): Sample[] =>
      Array.from({ length: count }, () => {
        const x = c.within(-3, 3);
        return { features: [x], is: c.next() < 1 / (1 + Math.exp(-2 * x)) };
      });
    const forest = train(noisy(4000), { ...TRAINING, depth: 2 });
    for (const x of [-1.5, -0.5, 0, 0.5, 1.5]) expect(Math.abs(oddsOf(forest, [x]) - 2 * x)).toBeLessThan(0.7);
  });
  it('is the same for the same samples, and none grows on one kind alone', () => {
    const of = samples(3, 200, ([a]) => a! > 0);
    expect(train(of)).toEqual(train(of));
    expect(() => train(of.filter(({ is }) => is))).toThrow('both kinds');
  });
  it('asks a bound as a sample met it: what lies on it goes the other way', () => {
    expect(oddsOf({ bias: 1, trees: [[0, 2, -4, 4]] }, [2])).toBe(5);
    expect(oddsOf({ bias: 1, trees: [[0, 2, -4, 4]] }, [1.999])).toBe(-3);
  });
  it('gives odds that the sum of what its trees can give bounds', () => {
    const forest = train(samples(7, 300, ([a, b]) => a! + b! > 0.5));
    const ends = (tree: (typeof forest.trees)[number]): number[] =>
      typeof tree === 'number' ? [tree] : [...ends(tree[2]), ...ends(tree[3])];
    const [low, high] = [Math.min, Math.max].map((of) => forest.trees.reduce((sum: number, tree) => sum + of(...ends(tree)), forest.bias));
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true }), { minLength: 3, maxLength: 3 }), (features) => {
        const odds = oddsOf(forest, features);
        expect(odds).toBeGreaterThanOrEqual(low! - 1e-9);
        expect(odds).toBeLessThanOrEqual(high! + 1e-9);
      }),
    );
  });
});
