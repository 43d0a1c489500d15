import booleanPointInPolygon from '@turf/boolean-point-in-polygon';
import { planeAt, type Xy } from '@quay/core/geometry/plane';
import type { Fixes } from '@quay/core/trip/track/fixes';
import { trackReport } from '@quay/core/trip/track/report';
import { sheetOf } from '@quay/core/waters/sheet';
import type { Feature } from '@quay/core/waters/zone';
import { type Figure, figure, figureAtLeast, quantile } from '../figure';

const HOME = [8, 47] as const;
const plane = planeAt(HOME);
const FIXES = 1_000_000;
const ZONES = 200;
const CORNERS = 40;
const ROUNDS = 5;
/** The other package is asked of so many of the fixes, and what it takes reckoned up: of all of them it takes minutes. */
const ASKED = 2_000;

const ring = ([x, y]: Xy, radiusM: number, corners: number): [number, number][] => {
  const round = Array.from({ length: corners }, (_, i): [number, number] => {
    const turn = (2 * Math.PI * i) / corners;
    const ragged = radiusM * (1 + 0.2 * Math.sin(5 * turn));
    const [lon, lat] = plane.toLonLat([x + ragged * Math.cos(turn), y + ragged * Math.sin(turn)]);
    return [lon, lat];
  });
  return [...round, round[0]!];
};
const area = (id: string, kind: Feature['properties']['kind'], corners: [number, number][], more = {}): Feature => ({
  type: 'Feature',
  id,
  properties: { kind, name: id, ...more },
  geometry: { type: 'Polygon', coordinates: [corners] },
});

/** A lake with two hundred slow stretches, a third of them only near the shore. */
const features = (): Feature[] => [
  area('lake', 'shore', ring([0, 0], 6_000, 1_000)),
  ...Array.from({ length: ZONES }, (_, i) =>
    area(`zone-${i}`, 'slow', ring([((i % 20) - 9.5) * 500, (Math.floor(i / 20) - 4.5) * 900], 300, CORNERS), {
      limitKmh: 8 + (i % 5),
      ...(i % 3 === 0 ? { fromShoreM: 200 } : {}),
    }),
  ),
];

/** Eleven days of a boat that goes to and fro all over the lake, a fix a second, each a few metres off. */
const fixes = (): Fixes => {
  const [atMs, lon, lat] = [new Float64Array(FIXES), new Float64Array(FIXES), new Float64Array(FIXES)];
  for (let i = 0; i < FIXES; i += 1) {
    const [a, b] = [Math.sin(i / 1_900), Math.sin(i / 2_717 + 1)];
    const [x, y] = plane.toLonLat([4_500 * a + 3 * Math.sin(i * 12.9), 4_000 * b + 3 * Math.sin(i * 78.2)]);
    atMs[i] = Date.parse('2026-06-13T09:00:00.000Z') + i * 1000;
    lon[i] = x;
    lat[i] = y;
  }
  return { atMs, lon, lat };
};

/** A million fixes against two hundred zones, and how much faster that is than asking a geometry package of each. */
export const tracks = (): Figure[] => {
  const [drawn, track] = [features(), fixes()];
  const once = (): number => {
    const began = performance.now();
    const report = trackReport(track, sheetOf({ features: drawn })!, HOME);
    if (!report || report.fixes !== FIXES || report.breaches.length === 0) throw new Error('a track without a report');
    return performance.now() - began;
  };
  const took = quantile(Array.from({ length: ROUNDS }, once), 0.5);
  const zones = drawn.slice(1);
  const step = FIXES / ASKED;
  let inside = 0;
  const from = performance.now();
  for (let i = 0; i < FIXES; i += step)
    for (const zone of zones)
      if (
        zone.geometry.type === 'Polygon' &&
        booleanPointInPolygon([track.lon[i]!, track.lat[i]!], { type: 'Polygon', coordinates: zone.geometry.coordinates as number[][][] })
      )
        inside += 1;
  const theirs = (performance.now() - from) * step;
  if (inside === 0) throw new Error('no fix in any zone');
  return [
    figure(`${FIXES} fixes × ${ZONES} zones, median`, took, 'ms', 2_000),
    {
      ...figureAtLeast('times faster than a geometry package asked of every fix', theirs / took, '×', 5),
      note: `the package asked of ${ASKED} of the fixes, reckoned up to ${Math.round(theirs)} ms`,
    },
  ];
};
