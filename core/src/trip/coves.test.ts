import fc from 'fast-check';
import type { Feature } from '../waters/zone';
import { isBetween, placesToLie } from './coves';
import type { WeatherFrom } from './reach/reach';

const cove = (id: string, shelter?: [number, number]): Feature => ({
  type: 'Feature',
  id,
  properties: { kind: 'cove', name: id, ...(shelter ? { shelter } : {}) },
  geometry: { type: 'Point', coordinates: [10, 50] },
});
const wind = (hour: number, windFromDeg: number, windMs: number): WeatherFrom => ({
  atMs: hour * 3_600_000,
  windFromDeg,
  windMs,
  currentToDeg: 0,
  currentMs: 0,
});
const night = (features: Feature[], ...weather: WeatherFrom[]) =>
  placesToLie({ features }, weather, 20 * 3_600_000, 30 * 3_600_000).map(({ id, sheltered }) => [id, sheltered]);

describe('somewhere to lie for the night', () => {
  it('is sheltered from what blows then, not before or after', () => {
    const north = cove('north', [270, 60]);
    const south = cove('south', [120, 240]);
    expect(night([south, north], wind(18, 180, 9), wind(20, 300, 8), wind(30, 180, 9))).toEqual([
      ['north', true],
      ['south', false],
    ]);
    // The wind that blows when the night begins counts, although its hour began before.
    expect(night([south, north], wind(18, 180, 9), wind(25, 180, 5))).toEqual([
      ['south', true],
      ['north', false],
    ]);
  });

  it('needs none in a light wind, and is not judged where nobody knows', () => {
    expect(night([cove('a')], wind(20, 10, 2))).toEqual([['a', true]]);
    expect(night([cove('a')], wind(20, 10, 9))).toEqual([['a', undefined]]);
    expect(night([cove('a', [0, 90])], { ...wind(20, 0, 9), windFromDeg: 'ahead' })).toEqual([['a', undefined]]);
    expect(night([cove('a', [0, 90])])).toEqual([['a', undefined]]);
  });

  it('directions lie between two others across north as well', () => {
    const deg = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(deg, deg, deg, (from, span, step) => {
        const inside = (from + (span === 0 ? 0 : step % (span + 1))) % 360;
        expect(isBetween(inside, [from, (from + span) % 360])).toBe(true);
        // Either it is between the two or between the second and the first, but at their ends.
        if (inside !== from && inside !== (from + span) % 360) expect(isBetween(inside, [(from + span) % 360, from])).toBe(span === 0);
      }),
    );
  });
});
