import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { Geodesic } from 'geographiclib-geodesic';
import { areaOf, distanceToLines, isWithin, lengthOf } from '../geometry/rings';
import { type LonLat, planeAt } from '../geometry/plane';
import { holdsAt, sheetOf } from './sheet';
import { Waters } from './zone';

const waters = (name: string): Waters => Waters.parse(JSON.parse(readFileSync(`demo/waters/${name}.geojson`, 'utf8')));
const DEMO = ['lake-ossel', 'pell-sound', 'tarn-cut'].map(waters);
const earth = Geodesic.WGS84;

/** Judged by GeographicLib, which reckons on the ellipsoid. */
const geodesicLengthM = (line: readonly LonLat[]): number =>
  line.slice(1).reduce((sum, [lon, lat], i) => sum + earth.Inverse(line[i]![1], line[i]![0], lat, lon).s12!, 0);
const geodesicAreaM2 = (ring: readonly LonLat[]): number => {
  const polygon = earth.Polygon(false);
  for (const [lon, lat] of ring.slice(0, -1)) polygon.AddPoint(lat, lon);
  return Math.abs(polygon.Compute(false, true).area!);
};

describe('a sheet of water', () => {
  it.each(DEMO)('$name has the lengths and areas that the ellipsoid has', (one) => {
    const { plane } = sheetOf(one)!;
    for (const { id, geometry } of one.features) {
      if (geometry.type === 'LineString') {
        const flat = lengthOf(geometry.coordinates.map(plane.toXy));
        // The Cut is forty kilometres of bends; nearer waters are nearer to the truth.
        expect([id, Math.abs(flat / geodesicLengthM(geometry.coordinates) - 1) < 2e-3]).toEqual([id, true]);
      }
      if (geometry.type === 'Polygon') {
        for (const ring of geometry.coordinates) {
          const flat = areaOf([ring.map(plane.toXy)]);
          expect([id, Math.abs(flat / geodesicAreaM2(ring) - 1) < 2e-3]).toEqual([id, true]);
        }
      }
    }
  });

  it('is laid on a plane and back without moving, across the 180th meridian as well', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -66, max: 66, noNaN: true }),
        fc.double({ min: -10_000, max: 10_000, noNaN: true }),
        fc.double({ min: -10_000, max: 10_000, noNaN: true }),
        (lon, lat, x, y) => {
          const plane = planeAt([lon, lat]);
          const there = plane.toLonLat([x, y]);
          const [bx, by] = plane.toXy(there);
          expect(Math.hypot(bx - x, by - y)).toBeLessThan(1e-3);
          const { s12 } = earth.Inverse(lat, lon, there[1], there[0]);
          expect(Math.abs(s12! - Math.hypot(x, y))).toBeLessThan(Math.hypot(x, y) * 4e-3 + 0.01);
        },
      ),
    );
  });

  it('knows how far a place is from the shore: the least over all its edges, by GeographicLib along each', () => {
    const lake = DEMO[0]!;
    const sheet = sheetOf(lake)!;
    const shore = lake.features.find(({ properties }) => properties.kind === 'shore')!;
    if (shore.geometry.type !== 'Polygon') throw new Error('no polygon');
    const rings = shore.geometry.coordinates;
    fc.assert(
      fc.property(
        fc.double({ min: -38.035, max: -37.955, noNaN: true }),
        fc.double({ min: 47.99, max: 48.01, noNaN: true }),
        (lon, lat) => {
          let least = Infinity;
          for (const ring of rings)
            for (let i = 1; i < ring.length; i += 1)
              for (let k = 0; k <= 20; k += 1) {
                const [a, b] = [ring[i - 1]!, ring[i]!];
                const [px, py] = [a[0] + ((b[0] - a[0]) * k) / 20, a[1] + ((b[1] - a[1]) * k) / 20];
                least = Math.min(least, earth.Inverse(lat, lon, py, px).s12!);
              }
          // Twenty places along an edge of some eighty metres: found within two metres, and two parts in a thousand.
          expect(Math.abs(holdsAt(sheet, [lon, lat]).fromShoreM! - least)).toBeLessThan(2 + least * 2e-3);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('says what holds at a place, the strictest limit first', () => {
    const sheet = sheetOf(DEMO[0]!)!;
    const at = (lon: number, lat: number) => {
      const holds = holdsAt(sheet, [lon, lat]);
      return { ...holds, here: holds.here.map(({ id }) => id) };
    };
    // In the middle of the west basin: open water, far from shore.
    const open = at(-38.005, 47.9925);
    expect(open).toMatchObject({ onWater: true, closed: false, here: ['open-water'] });
    expect(open.limitMs! * 3.6).toBeCloseTo(30);
    const quay = at(-38.0379, 47.9968);
    expect(quay.fromShoreM!).toBeLessThan(150);
    expect(quay.limitMs! * 3.6).toBeCloseTo(6);
    const placeOf = (id: string): LonLat => {
      const { geometry } = DEMO[0]!.features.find((feature) => feature.id === id)!;
      const places = geometry.type === 'Point' ? [geometry.coordinates] : geometry.coordinates.flat(geometry.type === 'Polygon' ? 1 : 0);
      return [0, 1].map((k) => (places as LonLat[]).reduce((sum, place) => sum + place[k]!, 0) / places.length) as unknown as LonLat;
    };
    expect(at(...placeOf('maiden-strand'))).toMatchObject({ closed: true });
    expect(at(...placeOf('gull-rock')).here).toContain('gull-rock');
    expect(at(-38.2, 48)).toMatchObject({ onWater: false, here: [] });
  });

  it('has berths, coves and landings on the water, or within a boat’s length of it', () => {
    for (const one of DEMO) {
      const sheet = sheetOf(one)!;
      if (sheet.water.length === 0) continue;
      const rings = sheet.water.flatMap(({ polygon }) => polygon);
      for (const { feature, at } of sheet.spots) {
        if (!['berth', 'cove', 'mooring', 'fuel', 'hazard'].includes(feature.properties.kind)) continue;
        const near = sheet.water.some(({ polygon }) => isWithin(polygon, at)) || distanceToLines(rings, at) < 60;
        expect([feature.id, near]).toEqual([feature.id, true]);
      }
    }
  });
});
