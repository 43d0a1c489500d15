import fc from 'fast-check';
import { monotone, type Row } from './interpolate';

const table = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 0, max: 40 })), { minLength: 2, maxLength: 9 })
  .map((steps) => {
    let [x, y] = [0, 0];
    return steps.map(([dx, dy]): Row => [(x += dx), (y += dy)]);
  });

describe('monotone tables', () => {
  it('pass through every row, never fall and never overshoot', () => {
    fc.assert(
      fc.property(table, (rows) => {
        const f = monotone(rows);
        for (const [x, y] of rows) expect(f(x)).toBeCloseTo(y, 9);
        let last = -Infinity;
        for (let i = 0; i < rows.length - 1; i += 1) {
          const [[x0, y0], [x1, y1]] = [rows[i]!, rows[i + 1]!];
          for (let k = 0; k <= 10; k += 1) {
            const y = f(x0 + ((x1 - x0) * k) / 10);
            expect(y).toBeGreaterThanOrEqual(Math.max(last, y0) - 1e-9);
            expect(y).toBeLessThanOrEqual(y1 + 1e-9);
            last = y;
          }
        }
      }),
    );
  });

  it('is clamped outside and refuses tables that are none', () => {
    const f = monotone([
      [0, 10],
      [1, 20],
    ]);
    expect([f(-5), f(0.5), f(7)]).toEqual([10, 15, 20]);
    expect(() => monotone([[0, 0]])).toThrow(RangeError);
    expect(() =>
      monotone([
        [1, 0],
        [1, 2],
      ]),
    ).toThrow(RangeError);
  });
});
