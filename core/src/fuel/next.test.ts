import fc from 'fast-check';
import { fuse, type LevelReading, USUAL_FIGURES } from './fuse';
import { bestNext } from './next';

const METHODS = Object.keys(USUAL_FIGURES.level) as LevelReading['method'][];

describe('the next reading to take', () => {
  it('is the one that narrows the interval most, by fusing with each (property)', () => {
    fc.assert(
      fc.property(fc.subarray(METHODS, { minLength: 2 }), fc.integer({ min: 30, max: 120 }), (has, litres) => {
        const used = has.slice(0, 1);
        const next = bestNext(has, used)!;
        const width = (method: LevelReading['method']) => {
          const { out } = fuse({ capacityL: 150, out: [...used, method].map((one) => ({ method: one, litres })) })!;
          return out.high - out.low;
        };
        const narrowest = Math.min(...has.slice(1).map(width));
        // Figures of two kinds can be as good as each other: a grid's step is no difference.
        expect(width(next)).toBeLessThanOrEqual(narrowest + 2);
      }),
      { numRuns: 40 },
    );
  });

  it('is none when all have been taken, or there is none', () => {
    expect(bestNext(METHODS, METHODS)).toBeUndefined();
    expect(bestNext([], [])).toBeUndefined();
  });
});
