import fc from 'fast-check';
import { planeAt, type Xy } from '../../geometry/plane';
import { sheetOf } from '../../waters/sheet';
import type { Feature } from '../../waters/zone';
import { cleaned, type Fixes, smoothed } from './fixes';
import { trackReport } from './report';
import { type GridZone, zoneGrid } from './zoneGrid';
import { distanceToLines, isWithin } from '../../geometry/rings';

/** Noon of a summer’s day; the sun sets there after eight. */
const NOON = Date.parse('2026-06-13T13:00:00.000Z');
const HOME = [-38, 48] as const;
const plane = planeAt(HOME);

const square = (x0: number, y0: number, x1: number, y1: number): Xy[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
  [x0, y0],
];
const zone = (id: string, kind: Feature['properties']['kind'], ring: readonly Xy[], more: object = {}): Feature =>
  ({
    type: 'Feature',
    id,
    properties: { kind, name: id, ...more },
    geometry: { type: 'Polygon', coordinates: [ring.map((at) => plane.toLonLat(at))] },
  }) as unknown as Feature;
const rock: Feature = {
  type: 'Feature',
  id: 'rock',
  properties: { kind: 'hazard', name: 'Rock', radiusM: 50 },
  geometry: { type: 'Point', coordinates: plane.toLonLat([2000, 1000]) as [number, number] },
};
/** Four kilometres of lake, a slow stretch in the first thousand metres, a strand for swimmers, slow along the shore. */
const sheet = sheetOf({
  features: [
    zone('lake', 'shore', square(-500, -1500, 3500, 1500)),
    zone('slow', 'slow', square(0, -100, 1000, 100), { limitKmh: 10 }),
    zone('strand', 'swimOnly', square(1500, -50, 1700, 50)),
    zone('along', 'slow', square(-500, -1500, 3500, 1500), { limitKmh: 6, fromShoreM: 100 }),
    rock,
  ],
})!;

/** One fix a second along a line at a speed, each put off by noise. */
const sail = (from: Xy, to: Xy, speedMs: number, startMs = NOON, noise: (i: number) => Xy = () => [0, 0]): [number, Xy][] => {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return Array.from({ length: Math.floor(length / speedMs) + 1 }, (_, i) => {
    const share = (i * speedMs) / length;
    const [nx, ny] = noise(i);
    return [startMs + i * 1000, [from[0] + share * (to[0] - from[0]) + nx, from[1] + share * (to[1] - from[1]) + ny]];
  });
};
const fixesOf = (rows: readonly (readonly [number, Xy])[]): Fixes => {
  const places = rows.map(([, at]) => plane.toLonLat(at));
  return {
    atMs: Float64Array.from(rows, ([at]) => at),
    lon: Float64Array.from(places, ([lon]) => lon),
    lat: Float64Array.from(places, ([, lat]) => lat),
  };
};
const report = (...rows: [number, Xy][]) => trackReport(fixesOf(rows), sheet, HOME)!;
/** Numbers that look thrown, the same each time. */
const thrown = (seed: number) => (i: number, sd: number) => {
  const a = Math.sin(seed * 12.9898 + i * 78.233) * 43758.5453;
  return (a - Math.floor(a) - 0.5) * 2 * sd;
};

describe('what a track shows, of tracks laid by construction', () => {
  it('distance, time under way, and speed: three kilometres at 5 m/s are ten minutes', () => {
    const found = report(...sail([-400, 800], [2600, 800], 5));
    expect(found.distanceM).toBeGreaterThan(2970);
    expect(found.distanceM).toBeLessThan(3030);
    expect(found.movingMs).toBe(600_000);
    expect(found.engineMs).toBe(600_000);
    expect(found.darkMs).toBe(0);
    expect(found.breaches).toEqual([]);
  });

  it('lying in one place is no way made, however the fixes wander', () => {
    const throwing = thrown(3);
    const rows = Array.from({ length: 1200 }, (_, i): [number, Xy] => [
      NOON + i * 1000,
      [1200 + throwing(i, 5), 800 + throwing(i + 7000, 5)],
    ]);
    const found = report(...rows);
    expect(found.distanceM).toBeLessThan(60);
    expect(found.engineMs).toBe(0);
  });

  it('too fast through the slow stretch: surely, from where it begins to where it ends', () => {
    const [breach, ...more] = report(...sail([-400, 0], [1400, 0], 6)).breaches;
    expect(more).toEqual([]);
    expect(breach).toMatchObject({ is: 'speed', feature: 'slow', sure: true });
    expect(breach!.fastestMs).toBeCloseTo(6, 1);
    // A thousand metres at 6 m/s.
    expect((breach!.toMs - breach!.fromMs) / 1000).toBeGreaterThan(160);
    expect((breach!.toMs - breach!.fromMs) / 1000).toBeLessThan(168);
  });

  it('hardly faster than the limit, or only touching a zone’s edge, is doubtful and never sure', () => {
    // 10 km/h are 2.78 m/s; 2.9 is within what the fixes can be off.
    expect(report(...sail([-400, 0], [1400, 0], 2.9)).breaches.map(({ sure }) => sure)).toEqual([false]);
    // Along the strand two metres inside its edge.
    const [edge] = report(...sail([1500, 48], [1700, 48], 2)).breaches;
    expect(edge).toMatchObject({ is: 'closed', feature: 'strand', sure: false });
    expect(report(...sail([1500, 0], [1700, 0], 2)).breaches).toMatchObject([{ is: 'closed', feature: 'strand', sure: true }]);
  });

  it('slow along the shore holds near it alone, and a hazard has a ring', () => {
    expect(report(...sail([0, -1450], [2000, -1450], 5)).breaches).toMatchObject([{ feature: 'along', sure: true }]);
    expect(report(...sail([0, -1300], [2000, -1300], 5)).breaches).toEqual([]);
    expect(report(...sail([1800, 1000], [2200, 1000], 3)).breaches).toMatchObject([{ is: 'near', feature: 'rock', sure: true }]);
  });

  it('in the dark is told by the sun there', () => {
    const night = Date.parse('2026-06-14T01:00:00.000Z');
    const found = report(...sail([-400, 800], [2600, 800], 5, night));
    expect(found.darkMs).toBe(found.movingMs);
  });

  it('one fix far away is a jump, not a speed; a wrong clock is no time; a gap is no way made', () => {
    const rows = sail([-400, 800], [2600, 800], 5);
    rows[100] = [rows[100]![0], [3000, -1400]];
    rows[200] = [NaN, rows[200]![1]];
    rows[300] = [rows[250]![0], rows[300]![1]];
    const found = report(...rows);
    expect(found.faults).toEqual({ wrongClock: 2, jumps: 1, gaps: 0 });
    expect(found.breaches).toEqual([]);
    expect(found.fastestMs).toBeLessThan(5.5);
    const broken = report(...sail([-400, 800], [0, 800], 5), ...sail([2000, 800], [2400, 800], 5, NOON + 3_600_000));
    expect(broken.faults.gaps).toBe(1);
    expect(broken.distanceM).toBeLessThan(810);
    // Switched on again elsewhere: after some fixes that agree, she is there.
    const moved = report(...sail([-400, 800], [0, 800], 5), ...sail([2600, -800], [3000, -800], 5, NOON + 81_000));
    expect(moved.faults.jumps).toBe(5);
    expect(moved.distanceM).toBeGreaterThan(700);
  });

  it('of another water it says so, and nothing of nothing', () => {
    const far = report(...sail([90_000, 0], [91_000, 0], 5));
    expect([far.here, far.breaches]).toEqual([0, []]);
    expect(trackReport(fixesOf([]), sheet, HOME)).toBeUndefined();
  });

  it('whoever keeps to the limit is never surely too fast, with fixes as far off as they may be (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 10 / 3.6, noNaN: true }), fc.integer({ min: 0, max: 1000 }), (speedMs, seed) => {
        const throwing = thrown(seed);
        const noise = (i: number): Xy => [throwing(i, 6), throwing(i + 5000, 6)];
        expect(report(...sail([-400, 0], [1400, 0], speedMs, NOON, noise)).breaches.filter(({ sure }) => sure)).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it('whoever is much too fast surely is, wherever the way goes through (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 20, noNaN: true }),
        fc.integer({ min: -80, max: 80 }),
        fc.integer({ min: 0, max: 1000 }),
        (speedMs, y, seed) => {
          const throwing = thrown(seed);
          const noise = (i: number): Xy => [throwing(i, 3), throwing(i + 5000, 3)];
          const found = report(...sail([-400, y], [1400, y], speedMs, NOON, noise)).breaches.filter(({ feature }) => feature === 'slow');
          expect(found.some(({ sure }) => sure)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('speed at a fix', () => {
  it('is that of the way made, and is not known of a fix alone', () => {
    const rows = sail([0, 0], [500, 0], 4);
    const one = cleaned(fixesOf(rows), plane, 6);
    for (const speed of smoothed(one, 6).speedMs) expect(speed).toBeCloseTo(4, 2);
    expect([...smoothed(cleaned(fixesOf(rows.slice(0, 2)), plane, 6), 6).offMs]).toEqual([Infinity, Infinity]);
  });
});

describe('the grid of zones', () => {
  it('says of every place what asking each zone says (property)', () => {
    const zones: GridZone[] = [
      { polygon: [square(0, 0, 400, 300)] },
      { polygon: [square(100, 100, 900, 200), square(150, 120, 300, 180)] },
      { at: [700, 500], radiusM: 120 },
      { polygon: [square(-200, -200, 1000, 800)], nearShoreM: 60 },
    ];
    const shore = [[square(-200, -200, 1000, 800)]];
    const grid = zoneGrid(zones, shore, 5);
    const place = fc.tuple(fc.double({ min: -300, max: 1100, noNaN: true }), fc.double({ min: -300, max: 900, noNaN: true }));
    fc.assert(
      fc.property(place, (at) => {
        const plainly = zones.flatMap((one, i) => {
          if ('at' in one) return Math.hypot(at[0] - one.at[0], at[1] - one.at[1]) <= one.radiusM ? [i] : [];
          if (!isWithin(one.polygon, at)) return [];
          return one.nearShoreM === undefined || distanceToLines(shore.flat(), at) <= one.nearShoreM ? [i] : [];
        });
        expect([...grid.at(at)].sort()).toEqual(plainly);
        for (const i of grid.at(at)) {
          // Sure means: five metres any way it is still so.
          if (!grid.isSure(i, at)) continue;
          for (const [dx, dy] of [
            [4.9, 0],
            [-4.9, 0],
            [0, 4.9],
            [0, -4.9],
          ] as const)
            expect(grid.at([at[0] + dx, at[1] + dy])).toContain(i);
        }
      }),
      { numRuns: 500 },
    );
  });
});
