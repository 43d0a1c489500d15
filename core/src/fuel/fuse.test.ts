import { fuse } from './fuse';
import { simulateHires } from './simulatedHires';

describe('fuel from readings', () => {
  it('estimates simulated hires within their bars', () => {
    const seed = 4711;
    const got = simulateHires(1500, seed);
    console.log(`fuel, seed ${seed}: ${JSON.stringify(got, (_, v: unknown) => (typeof v === 'number' ? Math.round(v * 1000) / 1000 : v))}`);
    expect(got.rms).toBeLessThanOrEqual(0.85 * got.rmsBestSingle);
    expect(got.coverage).toBeGreaterThanOrEqual(0.93);
    expect(got.coverage).toBeLessThanOrEqual(0.97);
    expect(got.coverageStuck).toBeGreaterThanOrEqual(0.9);
    expect(got.meanHalfWidthL).toBeLessThanOrEqual(10);
    expect(got.overcharged).toBeLessThan(0.01);
    expect(got.undercharged).toBeLessThanOrEqual(0.1);
    // What is charged by the needle alone today overcharges a good third.
    expect(got.needleOvercharged).toBeGreaterThan(0.2);
  });

  it('covers both of two readings that disagree and asks for a third', () => {
    const two = fuse({
      capacityL: 150,
      out: [
        { method: 'needle', litres: 120 },
        { method: 'sightLine', litres: 60 },
      ],
    })!;
    expect(two.askThird).toBe(true);
    expect(two.odd).toEqual([]);
    expect(two.out.low).toBeLessThan(60);
    expect(two.out.high).toBeGreaterThan(120);
  });

  it('names the odd one out of three', () => {
    const three = fuse({
      capacityL: 150,
      out: [
        { method: 'needle', litres: 140 },
        { method: 'sightLine', litres: 141 },
      ],
      in: [
        { method: 'needle', litres: 140 },
        { method: 'sightLine', litres: 80 },
      ],
      use: [{ method: 'hours', litres: 58 }],
    })!;
    expect(three.odd).toMatchObject([{ method: 'needle', when: 'in' }]);
    expect(three.odd[0]!.awayL).toBeGreaterThan(45);
    expect(three.used!.low).toBeGreaterThan(45);
    expect(three.used!.high).toBeLessThan(75);
  });

  it('lets a bias of the gauge cancel', () => {
    const wide = fuse({ capacityL: 100, out: [{ method: 'needle', litres: 80 }] })!;
    const both = fuse({ capacityL: 100, out: [{ method: 'needle', litres: 80 }], in: [{ method: 'needle', litres: 30 }] })!;
    expect(both.used!.sd).toBeLessThan(wide.out.sd * Math.SQRT2);
  });

  it('counts what was filled on the way, and never charges a negative use', () => {
    const filled = fuse({
      capacityL: 100,
      out: [{ method: 'sightLine', litres: 50 }],
      in: [{ method: 'sightLine', litres: 70 }],
      fillsL: 40,
    })!;
    expect(filled.used!.value).toBeCloseTo(20, 0);
    const gain = fuse({ capacityL: 100, out: [{ method: 'sightLine', litres: 50 }], in: [{ method: 'sightLine', litres: 55 }] })!;
    expect(gain.used!.low).toBeGreaterThanOrEqual(0);
  });

  it('answers nothing when nothing was read', () => {
    expect(fuse({ capacityL: 100, out: [] })).toBeUndefined();
  });
});
