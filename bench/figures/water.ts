import { hullFigures } from '@quay/core/docking/hull';
import type { CanalLine, Stop } from '@quay/core/trip/canal/canalLine';
import { canalPlan } from '@quay/core/trip/canal/canalPlan';
import { planeAt } from '@quay/core/geometry/plane';
import { reachOutline } from '@quay/core/trip/reach/outline';
import type { WeatherFrom } from '@quay/core/trip/reach/reach';
import { turnRound } from '@quay/core/trip/reach/turnRound';
import { waterGrid } from '@quay/core/trip/reach/waterGrid';
import { sheetOf } from '@quay/core/waters/sheet';
import type { Feature } from '@quay/core/waters/zone';
import { type Figure, figure, quantile } from '../figure';
import { tracks } from './tracks';

const plane = planeAt([8, 47]);
const SHORE_POINTS = 5_000;
const ROUNDS = 15;

/** A lake with a ragged shore, a strip along it, and a wind that rises: everything the reach has to do with. */
const lake = (): Feature[] => {
  const shore = Array.from({ length: SHORE_POINTS }, (_, i): [number, number] => {
    const turn = (2 * Math.PI * i) / SHORE_POINTS;
    const ragged = 1 + 0.2 * Math.sin(5 * turn) + 0.08 * Math.sin(23 * turn) + 0.015 * Math.sin(331 * turn);
    const [lon, lat] = plane.toLonLat([6_000 * ragged * Math.cos(turn), 2_800 * ragged * Math.sin(turn)]);
    return [lon, lat];
  });
  const ring = [...shore, shore[0]!];
  const area = (id: string, kind: 'shore' | 'noWake', more = {}): Feature => ({
    type: 'Feature',
    id,
    properties: { kind, name: id, ...more },
    geometry: { type: 'Polygon', coordinates: [ring] },
  });
  return [area('lake', 'shore'), area('strip', 'noWake', { fromShoreM: 150, limitKmh: 6 })];
};
const HOUR = 3_600_000;
const weather: WeatherFrom[] = [0, 1, 2, 3, 4, 5].map((hour) => ({
  atMs: hour * HOUR,
  windFromDeg: 250,
  windMs: 3 + hour,
  currentToDeg: 60,
  currentMs: 0.1,
}));
const mover = {
  cruiseMs: 5,
  chopPerMs: 0.06,
  hull: hullFigures({ kind: 'pontoon', plan: { lengthM: 7.6, beamM: 2.5, strokes: [] } }).hull,
};

/** A canal of sixty kilometres: a lock every five, a mooring every two, a bridge with hours, and places to turn. */
const canal = (): CanalLine => {
  const at = (kind: Stop['kind'], km: number, hours?: { from: string; to: string }): Stop => ({
    id: `${kind}-${km}`,
    name: `${kind} ${km}`,
    kind,
    alongM: km * 1000,
    hours,
  });
  return {
    lengthM: 60_000,
    limitMs: 6 / 3.6,
    stops: [
      ...Array.from({ length: 30 }, (_, i) => at('mooring', 1.3 + 2 * i)),
      ...Array.from({ length: 12 }, (_, i) => at('lock', 4.1 + 5 * i)),
      ...Array.from({ length: 6 }, (_, i) => at('bridge', 7.7 + 9 * i, { from: '09:00', to: '17:00' })),
      ...Array.from({ length: 8 }, (_, i) => at('turning', 6.2 + 7 * i)),
    ],
  };
};
const DAYS = 14;
const days = (): number => {
  const began = performance.now();
  const plan = canalPlan({
    line: canal(),
    baseM: 0,
    speedMs: 1.4,
    zone: 'Europe/Dublin',
    from: '2026-06-13T10:00:00.000Z',
    to: new Date(Date.parse('2026-06-13T09:00:00.000Z') + (DAYS - 1) * 24 * HOUR).toISOString(),
    light: (day) => ({ fromMs: Date.parse(`${day}T05:00:00Z`), toMs: Date.parse(`${day}T20:00:00Z`) }),
    hoursADay: 6,
  });
  if (plan.is !== 'plan' || plan.days.length !== DAYS) throw new Error(plan.is);
  return performance.now() - began;
};

/** What the thread does when a chart is opened: water cut up, ways out and home, and the outline. */
export const water = (): Promise<Figure[]> => {
  const features = lake();
  const once = () => {
    const began = performance.now();
    const grid = waterGrid(sheetOf({ features })!, { draftM: 0.4 })!;
    const turn = turnRound({
      grid,
      home: plane.toLonLat([-4_500, 0]),
      here: plane.toLonLat([-4_500, 0]),
      nowMs: 0,
      deadlines: [{ is: 'due', atMs: 4 * HOUR }],
      weather,
      mover,
      fuelH: 3,
    });
    if (turn.is !== 'known' || reachOutline(turn).length === 0) throw new Error('no reach');
    return performance.now() - began;
  };
  once();
  const took = Array.from({ length: ROUNDS }, once);
  days();
  const planned = Array.from({ length: ROUNDS }, days);
  return Promise.resolve([
    figure(`reach on a shore of ${SHORE_POINTS} points, median`, quantile(took, 0.5), 'ms', 150),
    figure(`${DAYS} days on a canal planned, median`, quantile(planned, 0.5), 'ms', 50),
    ...tracks(),
  ]);
};
