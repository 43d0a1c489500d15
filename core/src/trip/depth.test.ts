import fc from 'fast-check';
import { deepEnough, depthOver } from './depth';

const HOUR = 3_600_000;
const hours = (...heights: number[]) => heights.map((waterM, i) => ({ atMs: i * HOUR, waterM }));

describe('depth by the hour', () => {
  it('is what the chart says and what stands above it, less than nothing where it is dry: hand-worked', () => {
    expect(depthOver(1, hours(0, 1, 2), { fromMs: HOUR / 2, untilMs: 1.75 * HOUR })).toEqual([
      { atMs: HOUR / 2, depthM: 1.5 },
      { atMs: HOUR, depthM: 2 },
      { atMs: 1.75 * HOUR, depthM: 2.75 },
    ]);
    // A bank that dries by a metre.
    expect(depthOver(-1, hours(0.5, 1.5), { fromMs: 0, untilMs: HOUR })!.map(({ depthM }) => depthM)).toEqual([-0.5, 0.5]);
  });

  it('is not known where nobody foretells it all that time', () => {
    expect(depthOver(1, hours(1, 1), { fromMs: 0, untilMs: HOUR + 1 })).toBeUndefined();
    expect(depthOver(1, hours(1, 1), { fromMs: -1, untilMs: HOUR })).toBeUndefined();
    expect(depthOver(1, [], { fromMs: 0, untilMs: HOUR })).toBeUndefined();
  });

  it('is enough from when it rises over what is needed until it falls below: hand-worked', () => {
    const over = depthOver(0, hours(0, 2, 2, 0), { fromMs: 0, untilMs: 3 * HOUR })!;
    expect(deepEnough(over, 1)).toEqual([{ fromMs: HOUR / 2, untilMs: 2.5 * HOUR }]);
    expect(deepEnough(over, 3)).toEqual([]);
    expect(deepEnough(over, 0)).toEqual([{ fromMs: 0, untilMs: 3 * HOUR }]);
    const twice = depthOver(0, hours(2, 0, 2), { fromMs: 0, untilMs: 2 * HOUR })!;
    expect(deepEnough(twice, 1)).toEqual([
      { fromMs: 0, untilMs: HOUR / 2 },
      { fromMs: 1.5 * HOUR, untilMs: 2 * HOUR },
    ]);
  });

  it('holds at every minute of a stretch and at none outside of one (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 4, noNaN: true }), { minLength: 2, maxLength: 8 }),
        fc.double({ min: -2, max: 4, noNaN: true }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (heights, chartM, needM) => {
          const untilMs = (heights.length - 1) * HOUR;
          const over = depthOver(chartM, hours(...heights), { fromMs: 0, untilMs })!;
          const stretches = deepEnough(over, needM);
          for (let ms = 0; ms <= untilMs; ms += HOUR / 12) {
            const i = Math.min(heights.length - 2, Math.floor(ms / HOUR));
            const depth = chartM + heights[i]! + ((heights[i + 1]! - heights[i]!) * (ms - i * HOUR)) / HOUR;
            const inside = stretches.some(({ fromMs, untilMs: end }) => fromMs <= ms && ms <= end);
            if (Math.abs(depth - needM) > 0.01) expect(inside).toBe(depth > needM);
          }
        },
      ),
    );
  });
});
