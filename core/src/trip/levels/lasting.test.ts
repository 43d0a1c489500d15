import fc from 'fast-check';
import type { Tank } from '../../fleet/rows';
import { chance } from '../../number/chance';
import { lastingOf, pullOf, type Range } from './lasting';

const name = { en: 'x' };
const fresh: Tank = { id: 'fresh', name, holds: 'fresh', capacityL: 900 };
const waste: Tank = { id: 'waste', name, holds: 'waste', capacityL: 600 };
const outlet = (id: string, from: string, litresPerPersonDay?: [number, number], into?: string) => ({
  id,
  name,
  from,
  ...(into === undefined ? {} : { into }),
  ...(litresPerPersonDay ? { litresPerPersonDay } : {}),
});

const exactly = (litres: number) => ({ low: litres, likely: litres, high: litres });

describe('how long a tank lasts', () => {
  it('hand-worked: an eighth of water, eight people, and toilets that flush with the lake', () => {
    const outlets = [outlet('tap', 'fresh', [6, 12]), outlet('shower', 'lake', [20, 40]), outlet('toilet', 'lake', [9, 15], 'waste')];
    // 48 to 96 L a day: an eighth of 900 L, 112.5 L, lasts 28 to 56 h.
    const pull = pullOf(fresh, outlets, 8)!;
    expect(pull.litresPerHour).toEqual({ low: 2, high: 4 });
    expect(lastingOf(fresh, exactly(112), pull, 72)).toMatchObject({ hours: { low: 28, likely: 112 / 3, high: 56 }, lasts: 'no' });
    expect(lastingOf(fresh, exactly(112), pull, 30).lasts).toBe('perhaps');
    expect(lastingOf(fresh, exactly(112), pull, 28).lasts).toBe('yes');
    // 72 to 120 L a day into 600 L that hold 540 already: 12 to 20 h.
    expect(lastingOf(waste, exactly(540), pullOf(waste, outlets, 8)!, 24)).toMatchObject({
      hours: { low: 12, likely: 15, high: 20 },
      lasts: 'no',
    });
  });

  it('leaves the engine and spare cans alone, and knows a generator only by what its book says', () => {
    const petrol: Tank = { id: 'p', name, holds: 'petrol', capacityL: 18 };
    expect(pullOf(petrol, [], 4)).toBeUndefined();
    expect(pullOf({ ...petrol, feeds: 'nothing', litresADay: [1, 2] }, [], 4)).toBeUndefined();
    expect(pullOf({ ...petrol, feeds: 'generator' }, [], 4)).toBeUndefined();
    const { low, high } = pullOf({ ...petrol, feeds: 'generator', litresADay: [2.4, 4.8] }, [], 4)!.litresPerHour;
    expect(low).toBeCloseTo(0.1, 9);
    expect(high).toBeCloseTo(0.2, 9);
  });

  /**
   * An independent reckoning: hour by hour somebody draws between the least and the most that is likely, from a tank with
   * somewhere between the least and the most in it; how many whole hours until the tank has no more to give.
   */
  it('brackets every simulation hour by hour', () => {
    const litres = fc.double({ min: 0, max: 900, noNaN: true });
    const rate = fc.double({ min: 0.2, max: 20, noNaN: true });
    fc.assert(
      fc.property(litres, litres, rate, rate, fc.integer({ min: 1, max: 1e9 }), (a, b, c, d, seed) => {
        const sorted = (x: number, y: number): Range => ({ low: Math.min(x, y), high: Math.max(x, y) });
        const [inIt, pull] = [sorted(a, b), sorted(c, d)];
        const tank = { ...fresh, unusableL: 20 };
        const { hours } = lastingOf(tank, { ...inIt, likely: (inIt.low + inIt.high) / 2 }, { litresPerHour: pull }, 1);
        const next = chance(seed).next;
        let left = inIt.low + next() * (inIt.high - inIt.low) - 20;
        let lasted = 0;
        for (;;) {
          const drawn = pull.low + next() * (pull.high - pull.low);
          if (left < drawn) break;
          left -= drawn;
          lasted += 1;
        }
        expect(lasted).toBeGreaterThanOrEqual(Math.floor(hours.low));
        expect(lasted).toBeLessThanOrEqual(Math.ceil(hours.high + 1e-6));
      }),
      { numRuns: 200 },
    );
  });

  it('never lasts longer with less in it, more people, or a longer time wanted', () => {
    const order = ['no', 'perhaps', 'yes'];
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.double({ min: 0, max: 800, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        (people, inIt, wantedH) => {
          const at = (litres: number, who: number, hours: number) =>
            lastingOf(fresh, { low: litres, likely: litres + 25, high: litres + 50 }, pullOf(fresh, [], who)!, hours).lasts;
          const here = order.indexOf(at(inIt, people, wantedH));
          expect(order.indexOf(at(inIt, people + 1, wantedH))).toBeLessThanOrEqual(here);
          expect(order.indexOf(at(inIt + 10, people, wantedH))).toBeGreaterThanOrEqual(here);
          expect(order.indexOf(at(inIt, people, wantedH + 10))).toBeLessThanOrEqual(here);
        },
      ),
    );
  });
});
