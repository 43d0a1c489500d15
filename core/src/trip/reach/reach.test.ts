import fc from 'fast-check';
import { hullFigures } from '../../docking/hull';
import type { LonLat } from '../../geometry/plane';
import { planeAt } from '../../geometry/plane';
import { sheetOf } from '../../waters/sheet';
import type { Feature } from '../../waters/zone';
import { earliestFrom, latestTo, type WeatherFrom } from './reach';
import { turnRound } from './turnRound';
import { alongTrack, CALM, type Mover } from './underway';
import { middleOf, openCellAt, waterGrid, type WaterGrid } from './waterGrid';

const plane = planeAt([10, 50]);
const corner = (x: number, y: number) => [...plane.toLonLat([x, y])] as [number, number];
const ring = (corners: readonly (readonly [number, number])[]) => [...corners, corners[0]!].map(([x, y]) => corner(x, y));
const area = (id: string, kind: Feature['properties']['kind'], rings: [number, number][][], more = {}): Feature => ({
  type: 'Feature',
  id,
  properties: { kind, name: id, ...more },
  geometry: { type: 'Polygon', coordinates: rings.map(ring) },
});
const box = (x0: number, y0: number, x1: number, y1: number): [number, number][] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];
/** A lake of 6 by 3 km with an island across its middle, a slow strip along the south, and a closed bay. */
const LAKE = [
  area('lake', 'shore', [box(-3000, -1500, 3000, 1500), box(-200, -900, 200, 1100)]),
  area('slow', 'noWake', [box(-3000, -1500, 3000, 1500)], { limitKmh: 6, fromShoreM: 150 }),
  area('bay', 'swimOnly', [box(2000, 800, 2600, 1500)]),
];
const mover: Mover = {
  cruiseMs: 4,
  chopPerMs: 0.04,
  hull: hullFigures({ kind: 'launch', plan: { lengthM: 6, beamM: 2.3 } as never }).hull,
};
const gridOf = (features: Feature[], most = 20_000): WaterGrid => waterGrid(sheetOf({ features })!, { most })!;
const calm: WeatherFrom[] = [{ atMs: 0, ...CALM }];
const HOUR = 3_600_000;
/** Wind from the west that rises by the hour. */
const rising: WeatherFrom[] = [0, 1, 2, 3, 4, 5].map((hour) => ({
  atMs: hour * HOUR,
  ...CALM,
  windFromDeg: 265,
  windMs: 2 + 2.4 * hour,
  currentToDeg: 40,
  currentMs: 0.15,
}));

describe('the reach', () => {
  it('is the straight way over open water, at most 3 % longer, and never shorter', () => {
    const grid = gridOf([area('lake', 'shore', [box(-3000, -1500, 3000, 1500)])]);
    const place = fc.tuple(fc.double({ min: -2900, max: 2900, noNaN: true }), fc.double({ min: -1400, max: 1400, noNaN: true }));
    fc.assert(
      fc.property(place, place, (from, to) => {
        const [a, b] = [openCellAt(grid, from)!, openCellAt(grid, to)!];
        const [ax, ay] = middleOf(grid, a);
        const [bx, by] = middleOf(grid, b);
        const straightS = Math.hypot(ax - bx, ay - by) / 4;
        const foundS = earliestFrom(grid, a, 0, calm, mover).times[b]! / 1000;
        expect(foundS).toBeGreaterThanOrEqual(straightS * 0.9999);
        expect(foundS).toBeLessThanOrEqual(straightS * 1.03 + 0.001);
      }),
      { numRuns: 25 },
    );
  });

  /**
   * An independent reckoning: forward in time from a place to home, by relaxing again and again over a grid three times as
   * fine with other moves, each step's speed worked out anew for its hour.
   */
  const simulatedHome = (
    features: Feature[],
    from: readonly [number, number],
    leaveMs: number,
    home: readonly [number, number],
    weather: WeatherFrom[],
  ): number => {
    const grid = gridOf(features, 30_000);
    const [start, end] = [openCellAt(grid, from)!, openCellAt(grid, home)!];
    const at = new Float64Array(grid.pace.length).fill(Infinity);
    at[start] = leaveMs;
    const moves: [number, number][] = [];
    for (let c = -3; c <= 3; c += 1)
      for (let r = -3; r <= 3; r += 1) if ((c !== 0 || r !== 0) && gcd(Math.abs(c), Math.abs(r)) === 1) moves.push([c, r]);
    let front = new Set([start]);
    while (front.size > 0) {
      const after = new Set<number>();
      for (const cell of front) {
        const wind = [...weather].reverse().find(({ atMs }) => atMs <= at[cell]!) ?? weather[0]!;
        for (const [c, r] of moves) {
          const [column, row] = [(cell % grid.columns) + c, Math.floor(cell / grid.columns) + r];
          if (column < 0 || row < 0 || column >= grid.columns || row >= grid.rows) continue;
          const to = row * grid.columns + column;
          let slowest = Infinity;
          let open = true;
          for (let k = 0; k <= 6; k += 1) {
            const between =
              Math.round((cell % grid.columns) + (c * k) / 6) + Math.round(Math.floor(cell / grid.columns) + (r * k) / 6) * grid.columns;
            if (grid.pace[between] === 0) open = false;
            else slowest = Math.min(slowest, grid.limits[grid.pace[between]! - 1]!);
          }
          if (!open) continue;
          const speed = alongTrack(((Math.atan2(c, r) * 180) / Math.PI + 360) % 360, wind, mover, slowest);
          const arrive = at[cell]! + ((Math.hypot(c, r) * grid.cellM) / speed) * 1000;
          if (speed > 0 && arrive < at[to]! - 1) {
            at[to] = arrive;
            after.add(to);
          }
        }
      }
      front = after;
    }
    return at[end]!;
  };
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

  it('says when to leave for home as a simulation forward in time on a finer grid does', () => {
    const home: [number, number] = [-2700, 0];
    const byMs = 4 * HOUR;
    const grid = gridOf(LAKE);
    const latest = latestTo(grid, openCellAt(grid, home)!, byMs, rising, mover);
    for (const place of [
      [2700, -1000],
      [1500, 600],
      [-800, 900],
    ] as const) {
      const found = latest.times[openCellAt(grid, place)!]!;
      // Leaving then, the simulation is home by the hour, within a twentieth of the way.
      const homeMs = simulatedHome(LAKE, place, found, home, rising);
      expect(Math.abs(homeMs - byMs) / (byMs - found)).toBeLessThan(0.05);
    }
  });

  it('goes round what is closed, and never through land', () => {
    const grid = gridOf(LAKE);
    const bay = openCellAt(grid, [2300, 1200])!;
    const [x, y] = middleOf(grid, bay);
    // The nearest open water to the middle of the bay lies outside it.
    expect(x < 2000 || x > 2600 || y < 800).toBe(true);
    const far = earliestFrom(grid, openCellAt(grid, [-2700, 0])!, 0, calm, mover).times[openCellAt(grid, [600, 0])!]! / 1000;
    expect(far).toBeGreaterThan(3300 / 4);
  });
});

describe('turning round', () => {
  const home: LonLat = plane.toLonLat([-2700, 0]);
  const deadlines = [
    { is: 'due' as const, atMs: 4 * HOUR },
    { is: 'dark' as const, atMs: 6 * HOUR },
  ];
  const day = { grid: gridOf(LAKE), home, here: home, nowMs: HOUR, deadlines, weather: rising, mover, fuelH: undefined };
  const known = (of: Parameters<typeof turnRound>[0]) => {
    const turn = turnRound(of);
    if (turn.is !== 'known') throw new Error(turn.is);
    return turn;
  };

  it('is earlier against the wind than in calm, and names what binds', () => {
    const wish = plane.toLonLat([2700, -1000]);
    const stay = known(day).at(wish)!;
    expect(stay.homeMs).toBeGreaterThan(stay.calmHomeMs * 1.05);
    expect(stay.binds).toBe('due');
    const inCalm = known({ ...day, weather: calm }).at(wish)!;
    expect(inCalm.leaveMs).toBeGreaterThan(stay.leaveMs);
    // Fuel for little more than the way there: fuel binds, and the wish is out of reach.
    const short = known({ ...day, fuelH: 0.6 }).at(wish)!;
    expect(short.binds).toBe('fuel');
    expect(short.leaveMs).toBeLessThan(short.arriveMs);
  });

  it('never reaches farther with less: time, fuel, or more wind', () => {
    const whole = known({ ...day, fuelH: 2 });
    for (const less of [
      { ...day, fuelH: 1.2 },
      { ...day, fuelH: 2, deadlines: [{ is: 'due' as const, atMs: 3 * HOUR }] },
      { ...day, fuelH: 2, weather: rising.map((one) => ({ ...one, windMs: one.windMs * 1.4 })) },
    ]) {
      const smaller = known(less);
      expect(smaller.slack.every((slack, cell) => slack <= whole.slack[cell]! + 1)).toBe(true);
    }
  });

  it('says of a place on no water, or cut off from home, that there is no way', () => {
    const pond = area('pond', 'shore', [box(4000, 0, 4400, 300)]);
    const grid = gridOf([...LAKE, pond]);
    expect(known({ ...day, grid }).at(plane.toLonLat([4200, 150]))).toBeUndefined();
    expect(turnRound({ ...day, grid, here: plane.toLonLat([4200, 150]) })).toEqual({ is: 'cutOff' });
    expect(turnRound({ ...day, here: plane.toLonLat([90_000, 0]) })).toEqual({ is: 'cutOff' });
  });
});
