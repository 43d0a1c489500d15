import fc from 'fast-check';
import { bookOfDemo, recordOf, TODAY } from '../testing/demoHire';
import type { EventBody } from '../record/event';
import { fuelHoursLeft } from './fuelLeft';

const book = bookOfDemo('tuppenny-bun', 'any-boat', 'pontoon-7');
const [tank] = book.tanks.filter(({ holds }) => holds === 'petrol');
const burn = book.engine.burnLPerHour!;
const START_MS = Date.parse(`${TODAY}T08:00:00.000Z`);
/** Events are a minute apart: the reading, leaving, then the fills. */
const needle = book.gauges.find(({ tank: of, reads }) => of === tank!.id && reads === 'needle')!;
const OUT: EventBody[] = [{ kind: 'gaugeRead', walk: 'out', gauge: needle.id, shown: 0.5 }, { kind: 'castOff' }];
const fill = (litres: number, brim = false): EventBody => ({ kind: 'fuelFilled', tank: tank!.id, litres, brim, by: 'renter' });
const leftAt = (minutes: number, ...fills: EventBody[]) => fuelHoursLeft(recordOf(...OUT, ...fills), book, START_MS + minutes * 60_000)!;

describe('hours under power that are left', () => {
  it('run down from cast-off, are nothing once they are gone, and nobody knows them of a tank that was not read', () => {
    expect(leftAt(1) - leftAt(61)).toBeCloseTo(1, 9);
    expect(leftAt(100_000)).toBe(0);
    expect(fuelHoursLeft(recordOf({ kind: 'castOff' }), book, START_MS)).toBeUndefined();
  });

  it('two thirds of what is filled are hours more; filled to the brim they are those of a full tank', () => {
    expect(leftAt(30, fill(12)) - leftAt(30)).toBeCloseTo((12 * 2) / 3 / burn, 9);
    // Filled in the minute after she left, then an hour run.
    expect(leftAt(62, fill(5, true))).toBeCloseTo((((tank!.capacityL - (tank!.unusableL ?? 0)) * 2) / 3 - burn) / burn, 6);
  });

  it('grow with every fill, and never beyond a full tank (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 200, noNaN: true }), { maxLength: 4 }),
        fc.integer({ min: 6, max: 2000 }),
        (litres, minutes) => {
          const fills = litres.map((one) => fill(one));
          expect(leftAt(minutes, ...fills)).toBeGreaterThanOrEqual(leftAt(minutes, ...fills.slice(1)) - 1e-9);
          expect(leftAt(minutes, ...fills)).toBeLessThanOrEqual((tank!.capacityL * 2) / 3 / burn);
        },
      ),
      { numRuns: 60 },
    );
  });
});
