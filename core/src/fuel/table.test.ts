import fc from 'fast-check';
import { monotone } from '../geometry/interpolate';
import type { Tank } from '../fleet/rows';
import { litresAt } from './level';
import { curveFromFill, tableFrom } from './table';

const cells = (text: string) => text.split('\n').map((line) => line.split(';'));

describe('a table from a file', () => {
  it('is read with a heading, decimal commas and blank lines', () => {
    expect(tableFrom(cells('mm;L\n0;0\n\n120,5;40\n300;1 25'), [400, 200])).toEqual({
      ok: true,
      rows: [
        [0, 0],
        [120.5, 40],
        [300, 125],
      ],
    });
  });
  it('names each fault by its line', () => {
    const read = tableFrom(cells('0;0\n50;20\n40;30\n60;25\n70;x\n80\n900;40'), [400, 200]);
    expect(read).toEqual({
      ok: false,
      faults: [
        { is: 'levelFalls', line: 3 },
        { is: 'volumeFalls', line: 4 },
        { is: 'noNumber', line: 5 },
        { is: 'notTwo', line: 6 },
        { is: 'outside', line: 7 },
      ],
    });
    expect(tableFrom(cells('mm;L\n1;1'), [9, 9])).toEqual({ ok: false, faults: [{ is: 'tooShort' }] });
    expect(tableFrom([], [9, 9])).toEqual({ ok: false, faults: [{ is: 'tooShort' }] });
  });
});

describe('a curve from a fill', () => {
  // A tank narrow at the bottom, its needle lazy at the top.
  const truth = (shown: number) => 95 * (0.06 + 0.94 * shown ** 1.4);
  const shownAt = (litres: number) => Math.max(0, (litres / 95 - 0.06) / 0.94) ** (1 / 1.4);

  it('comes within two litres of what is true, though every reading is off by a sixteenth now and then', () => {
    const steps = Array.from({ length: 16 }, (_, i) => {
      const pumpedL = 5.7 + (i * 89.3) / 15;
      return { pumpedL, shown: shownAt(pumpedL) + [0.02, -0.03, 0.01, 0][i % 4]! };
    });
    const curve = monotone(curveFromFill(steps, 95, 'empty'));
    const errors = [0.1, 0.3, 0.5, 0.7, 0.9].map((shown) => curve(shown) - truth(shown));
    expect(Math.max(...errors.map(Math.abs))).toBeLessThan(3);
    expect(Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length)).toBeLessThan(2);
  });
  it('never falls, whatever was read', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ pumpedL: fc.double({ min: 0, max: 100, noNaN: true }), shown: fc.double({ min: 0, max: 1, noNaN: true }) }), {
          maxLength: 30,
        }),
        fc.constantFrom('empty' as const, 'endsAtBrim' as const),
        (steps, from) => {
          const curve = curveFromFill(steps, 100, from);
          curve.forEach(([x, y], i) => {
            expect(y).toBeGreaterThanOrEqual(i === 0 ? 0 : curve[i - 1]![1]);
            if (i > 0) expect(x).toBeGreaterThan(curve[i - 1]![0]);
            expect(y).toBeLessThanOrEqual(100);
          });
        },
      ),
    );
  });
  it('counts back from the brim where nobody knows what was in her', () => {
    const curve = curveFromFill(
      [
        { pumpedL: 0, shown: 0.2 },
        { pumpedL: 30, shown: 0.6 },
        { pumpedL: 60, shown: 1 },
      ],
      95,
      'endsAtBrim',
    );
    expect(curve).toEqual([
      [0.2, 35],
      [0.6, 65],
      [1, 95],
    ]);
  });
});

describe('litres up to a level', () => {
  const tank = (more: Partial<Tank>): Tank => ({ id: 't', name: { en: 'T' }, holds: 'diesel', capacityL: 120, ...more });
  it('follow the shape: half of a box is half, of a wedge a quarter, of a lying cylinder half', () => {
    const at = (is: 'box' | 'wedge' | 'lyingCylinder', mm: number) => litresAt(tank({ shape: { is, heightMm: 400 } }), mm);
    expect([at('box', 200), at('wedge', 200), at('lyingCylinder', 200)].map((l) => Math.round(l * 1000) / 1000)).toEqual([60, 30, 60]);
    for (const is of ['box', 'wedge', 'lyingCylinder'] as const) {
      expect([at(is, -5), at(is, 0), at(is, 400), at(is, 900)]).toEqual([0, 0, 120, 120]);
      for (let mm = 10; mm <= 400; mm += 10) expect(at(is, mm)).toBeGreaterThan(at(is, mm - 10));
    }
    // A quarter of the height of a lying cylinder holds 19.55 % of it (circular segment, h = r/2).
    expect(at('lyingCylinder', 100)).toBeCloseTo(0.19550110947 * 120, 5);
  });
  it('follow the strapping table where there is one, and are none where nobody knows', () => {
    const strapped = tank({
      strapping: [
        [0, 0],
        [100, 20],
        [400, 118],
      ],
    });
    expect([litresAt(strapped, 0), litresAt(strapped, 100), litresAt(strapped, 500)]).toEqual([0, 20, 118]);
    expect(litresAt(tank({}), 100)).toBeNaN();
  });
});
