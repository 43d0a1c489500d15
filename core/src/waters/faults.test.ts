import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { planeAt } from '../geometry/plane';
import { MOST_CORNERS_IN_ALL, watersFaults } from './faults';
import { type Feature, Waters } from './zone';

const plane = planeAt([8, 47]);
const place = (x: number, y: number) => [...plane.toLonLat([x, y])] as [number, number];
const area = (
  id: string,
  corners: readonly (readonly [number, number])[],
  ...holes: (readonly (readonly [number, number])[])[]
): Feature => ({
  type: 'Feature',
  id,
  properties: { kind: 'shore', name: id },
  geometry: { type: 'Polygon', coordinates: [corners, ...holes].map((ring) => [...ring, ring[0]!].map(([x, y]) => place(x, y))) },
});
const SQUARE = [
  [0, 0],
  [900, 0],
  [900, 900],
  [0, 900],
] as const;
const faults = (...features: Feature[]) => watersFaults({ features }).map(({ feature, is }) => [feature, is]);

describe('what is wrong with a sheet', () => {
  it('is nothing for the demonstration’s waters', () => {
    for (const name of ['lake-ossel', 'pell-sound', 'tarn-cut'])
      expect(watersFaults(Waters.parse(JSON.parse(readFileSync(`demo/waters/${name}.geojson`, 'utf8'))))).toEqual([]);
  });

  it('is named by its feature: a bow tie, a hole that sticks out, a line for an area, an id twice, another part of the world', () => {
    const tie = [SQUARE[0], SQUARE[2], SQUARE[1], SQUARE[3]];
    expect(faults(area('a', SQUARE), area('tie', tie))).toEqual([['tie', 'crossesItself']]);
    expect(
      faults(
        area('holed', SQUARE, [
          [800, 100],
          [1000, 130],
          [800, 200],
        ]),
      ),
    ).toEqual([['holed', 'crossesItself']]);
    expect(
      faults(
        area('flat', [
          [0, 0],
          [900, 0],
          [400, 0],
        ]),
      ),
    ).toEqual([['flat', 'noArea']]);
    expect(faults(area('a', SQUARE), area('a', SQUARE))).toEqual([['a', 'idTwice']]);
    // Easting and northing in kilometres, read as degrees.
    const grid: Feature = {
      type: 'Feature',
      id: 'grid',
      properties: { kind: 'landmark', name: 'x' },
      geometry: { type: 'Point', coordinates: [53.2, 61.8] },
    };
    expect(faults(area('a', SQUARE), area('b', SQUARE), grid)).toEqual([['grid', 'farAway']]);
    expect(faults()).toEqual([]);
  });

  it('of fifty thousand corners is said at once, by the feature that has most of them', () => {
    const corner = (i: number, n: number, r: number): [number, number] => [
      r * Math.cos((2 * Math.PI * i) / n),
      r * Math.sin((2 * Math.PI * i) / n),
    ];
    const round = (id: string, n: number) =>
      area(
        id,
        Array.from({ length: n }, (_, i) => corner(i, n, 4000)),
      );
    const [one, two] = [round('one', 9_000), round('two', MOST_CORNERS_IN_ALL)];
    expect(watersFaults({ features: [one, two] })).toEqual([
      { feature: 'two', is: 'tooManyCorners', at: [MOST_CORNERS_IN_ALL + 1, MOST_CORNERS_IN_ALL + 9_002] },
    ]);
    expect(faults(one)).toEqual([]);
  });

  /** Crossings as they are found by trying every edge against every other, with parameters along both. */
  const crossesByTrying = (ring: readonly (readonly [number, number])[]): boolean => {
    const at = (i: number) => ring[i % ring.length]!;
    for (let i = 0; i < ring.length; i += 1)
      for (let j = i + 2; j < ring.length; j += 1) {
        if (i === 0 && j === ring.length - 1) continue;
        const [[ax, ay], [bx, by], [cx, cy], [dx, dy]] = [at(i), at(i + 1), at(j), at(j + 1)];
        const det = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
        if (Math.abs(det) < 1e-9) continue;
        const s = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / det;
        const u = ((cx - ax) * (by - ay) - (cy - ay) * (bx - ax)) / det;
        if (s > 1e-6 && s < 1 - 1e-6 && u > 1e-6 && u < 1 - 1e-6) return true;
      }
    return false;
  };

  it('crosses itself exactly where trying every edge says so', () => {
    const corner = fc.tuple(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 }));
    // Three in a line is neither crossing nor none.
    const inLine = (ring: readonly (readonly [number, number])[]) =>
      ring.some((a, i) =>
        ring.some((b, j) =>
          ring.some((c, k) => i < j && j < k && Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) < 2_000),
        ),
      );
    let both = [0, 0];
    fc.assert(
      fc.property(fc.uniqueArray(corner, { minLength: 4, maxLength: 7, selector: ([x]) => x }), (ring) => {
        fc.pre(!inLine(ring));
        const found = faults(area('ring', ring)).some(([, is]) => is === 'crossesItself');
        both = found ? [both[0]! + 1, both[1]!] : [both[0]!, both[1]! + 1];
        expect(found).toBe(crossesByTrying(ring));
      }),
      { numRuns: 400 },
    );
    expect(Math.min(...both)).toBeGreaterThan(20);
  });
});
