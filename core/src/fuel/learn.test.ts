import fc from 'fast-check';
import { USUAL_FIGURES } from './fuse';
import { figuresWith, FILLS_NEEDED, learnErrors, type Sample } from './learn';
import { simulateLearning } from './simulatedHires';

const samples = (residuals: readonly number[]): Sample[] => residuals.map((r) => ({ shown: 0.5 + r, truth: 0.5 }));

describe('what a gauge’s own fills teach', () => {
  it('is nothing while there are few', () => {
    expect(learnErrors('needle', samples([0, 0.1, 0, 0.1]))).toBeUndefined();
    expect(learnErrors('needle', samples(Array.from({ length: FILLS_NEEDED }, () => 0)))).toBeDefined();
  });

  it('finds a needle that always shows too much, and a sight line that has no bias of its own none', () => {
    const high = samples(Array.from({ length: 30 }, (_, i) => 0.1 + (i % 2 ? 0.01 : -0.01)));
    const needle = learnErrors('needle', high)!;
    expect(needle.bias).toBeGreaterThan(0.09);
    expect(needle.biasSd).toBeLessThan(0.01);
    expect(needle.sd).toBeLessThan(USUAL_FIGURES.level.needle.sd);
    expect(learnErrors('sightLine', high)!.bias).toBe(0);
  });

  it('is not moved by a needle that stuck now and then', () => {
    const clean = Array.from({ length: 24 }, (_, i) => [0.02, -0.02, 0.01, -0.01][i % 4]!);
    const stuck = [...clean, 0.5, -0.45];
    const [a, b] = [learnErrors('needle', samples(clean))!, learnErrors('needle', samples(stuck))!];
    expect(Math.abs(a.sd - b.sd)).toBeLessThan(0.005);
    expect(Math.abs(a.bias - b.bias)).toBeLessThan(0.005);
    expect(b.fills).toBe(26);
  });

  it('comes to what is true as fills collect, whatever that is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.12, noNaN: true }),
        fc.double({ min: -0.08, max: 0.08, noNaN: true }),
        fc.integer(),
        (sd, bias, seed) => {
          let a = seed | 0;
          const uniform = () => {
            a = (Math.imul(a, 1664525) + 1013904223) | 0;
            return ((a >>> 0) + 0.5) / 4294967296;
          };
          const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
          const learnt = learnErrors('needle', samples(Array.from({ length: 400 }, () => bias + sd * normal())))!;
          expect(Math.abs(learnt.sd / sd - 1)).toBeLessThan(0.25);
          expect(Math.abs(learnt.bias - bias)).toBeLessThan(5 * (sd / 20) + 0.004);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('widens what a reading askew means by as much', () => {
    const doubled = figuresWith('needle', { sd: 0.09, bias: 0, biasSd: 0.01, fills: 9 });
    expect(doubled.tiltedSd / USUAL_FIGURES.level.needle.tiltedSd).toBeCloseTo(2, 5);
    expect(doubled.stuck).toBe(USUAL_FIGURES.level.needle.stuck);
  });

  it('lets intervals cover again where every gauge is half as bad again as supposed', () => {
    const seed = 4711;
    const { before, after } = simulateLearning(1200, seed);
    console.log(`fuel learnt, seed ${seed}: covered ${before.toFixed(3)} before, ${after.toFixed(3)} after`);
    expect(after).toBeGreaterThanOrEqual(0.9);
    expect(after).toBeGreaterThan(before);
  });
});
