import fc from 'fast-check';
import { deepEnough, depthAhead, depthOver, UNDER_KEEL_M } from './depth';

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

  it('of a boat is told as far ahead as it is foretold, inwards to five minutes, with what stays under her: hand-worked', () => {
    const day = { fromMs: 0, untilMs: 48 * HOUR };
    const found = depthAhead({ chartM: 0, draftM: 1 - UNDER_KEEL_M }, hours(0, 2.1, 2.1, 0), day)!;
    expect([found.needM, found.always, found.over.at(-1)!.atMs]).toEqual([1, false, 3 * HOUR]);
    // Over a metre from 28.6 minutes on, until as long before the end.
    expect(found.enough).toEqual([{ fromMs: 30 * 60_000, untilMs: 150 * 60_000 }]);
    expect(depthAhead({ chartM: 3, draftM: 1 }, hours(0, 2), day)!.always).toBe(true);
    expect(depthAhead({ chartM: -9, draftM: 1 }, hours(0, 2), day)!.enough).toEqual([]);
    expect(depthAhead({ chartM: 1, draftM: 1 }, [], day)).toBeUndefined();
    expect(depthAhead({ chartM: 1, draftM: 1 }, hours(...Array<number>(40).fill(1)), day)!.over.at(-1)!.atMs).toBe(24 * HOUR);
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
