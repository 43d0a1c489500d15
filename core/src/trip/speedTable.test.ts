import fc from 'fast-check';
import { mostEconomical, revsWithin, speedTable, usualPace } from './speedTable';

const speeds = [
  { rpm: 1200, kmh: 6, lPerHour: 1.6 },
  { rpm: 2000, kmh: 9, lPerHour: 3.1 },
  { rpm: 3900, kmh: 22, lPerHour: 9 },
  { rpm: 5200, kmh: 33, lPerHour: 19.5 },
];
const engine = { kind: 'outboard' as const, burnLPerHour: 9, speeds };

describe('the speed table', () => {
  it('gives back its lines, and revs to speed to revs', () => {
    const table = speedTable(engine)!;
    for (const { rpm, kmh, lPerHour } of speeds) expect(table.at(kmh)).toEqual({ rpm, lPerHour });
    fc.assert(
      fc.property(fc.double({ min: 6, max: 33, noNaN: true }), (kmh) => {
        // There and back by two monotone curves through the same points: near, though not one the inverse of the other.
        expect(Math.abs(table.kmhAt(table.at(kmh).rpm!)! - kmh)).toBeLessThan(0.5);
      }),
    );
    fc.assert(
      fc.property(fc.double({ min: 6, max: 33, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }), (kmh, more) => {
        const [a, b] = [table.at(kmh), table.at(Math.min(33, kmh + more))];
        expect(b.rpm!).toBeGreaterThanOrEqual(a.rpm! - 1e-9);
        expect(b.lPerHour!).toBeGreaterThanOrEqual(a.lPerHour! - 1e-9);
      }),
    );
    expect(table.at(40)).toEqual({ rpm: undefined, lPerHour: undefined });
  });

  it('is none where it contradicts itself', () => {
    expect(speedTable({ speeds: [speeds[0]!, { rpm: 900, kmh: 9 }] })).toBeUndefined();
    expect(speedTable({ speeds: [speeds[1]!, { rpm: 3000, kmh: 12, lPerHour: 2 }] })).toBeUndefined();
    expect(speedTable({ speeds: [speeds[0]!, speeds[0]!] })).toBeUndefined();
    expect(speedTable({ speeds: [speeds[0]!] })).toBeUndefined();
  });

  it('says the pace renters keep, and is plain about guessing it', () => {
    expect(usualPace({ kind: 'pontoon', engine })).toEqual({ speedMs: 22 / 3.6, rpm: 3900, lPerHour: 9, estimated: false });
    expect(usualPace({ kind: 'pontoon', engine: { kind: 'outboard', burnLPerHour: 9 } })).toMatchObject({ estimated: true, lPerHour: 9 });
    // An electric launch burns nothing: two thirds up her table.
    expect(
      usualPace({ kind: 'electricLaunch', engine: { kind: 'electric', speeds: [{ kmh: 5 }, { kmh: 7 }, { kmh: 9 }] } }).speedMs,
    ).toBeCloseTo(7 / 3.6);
  });

  it('finds the fewest litres a kilometre, hand-worked, within a limit and out of the band she shakes in', () => {
    // 1.6/6 = 0.267, 3.1/9 = 0.344, 9/22 = 0.409, 19.5/33 = 0.591
    expect(mostEconomical(engine)).toMatchObject({ kmh: 6 });
    expect(mostEconomical({ ...engine, avoidRpm: [1000, 1500] })).toMatchObject({ kmh: 9 });
    expect(mostEconomical(engine, 5)).toBeUndefined();
    expect(revsWithin(engine, 6)).toBe(1200);
    expect(revsWithin(engine, 30)! % 50).toBe(0);
    expect(speedTable(engine)!.kmhAt(revsWithin(engine, 30)!)!).toBeLessThanOrEqual(30.5);
    expect(revsWithin(engine, 60)).toBeUndefined();
  });
});
