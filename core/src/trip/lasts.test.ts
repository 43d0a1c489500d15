import fc from 'fast-check';
import { lastsFor } from './lasts';

const about = (low: number, value: number, high: number) => ({ low, value, high, sd: (high - low) / 4 });

describe('how long the fuel lasts', () => {
  it('by hand: 96 L, surely 78, 6 of them out of reach, 12 L an hour: 7 h 30, 6 h for certain, home after 2', () => {
    expect(lastsFor(about(78, 96, 110), 6, 12)).toEqual({ likelyH: 7.5, surelyH: 6, turnAfterH: 2 });
  });

  it('is nothing where nobody knows what she burns, and no less than nothing in a tank that is all reserve', () => {
    expect(lastsFor(about(78, 96, 110), 6, undefined)).toBeUndefined();
    expect(lastsFor(about(0, 3, 9), 6, 12)).toEqual({ likelyH: 0, surelyH: 0, turnAfterH: 0 });
  });

  it('never promises more than is likely, nor more from less fuel, nor from a wider interval (property)', () => {
    const litres = fc.double({ min: 0, max: 400, noNaN: true });
    fc.assert(
      fc.property(litres, litres, litres, litres, (a, b, c, less) => {
        const [low, value, high] = [a, b, c].sort((x, y) => x - y) as [number, number, number];
        const one = lastsFor(about(low, value, high), 5, 9)!;
        expect(one.surelyH).toBeLessThanOrEqual(one.likelyH);
        expect(one.turnAfterH * 3).toBeCloseTo(one.surelyH, 9);
        const wider = lastsFor(about(Math.max(0, low - less), value, high), 5, 9)!;
        expect(wider.surelyH).toBeLessThanOrEqual(one.surelyH);
      }),
    );
  });
});
