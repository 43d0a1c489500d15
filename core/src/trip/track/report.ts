import type { LonLat } from '../../geometry/plane';
import { CLOSED_KINDS, type Sheet, USUAL_RING_M } from '../../waters/sheet';
import { zoneLimitMs, type Feature } from '../../waters/zone';
import { isDark } from '../light';
import { cleaned, type Fixes, smoothed, type TrackFaults } from './fixes';
import { type GridZone, zoneGrid } from './zoneGrid';

/**
 * What a track shows of a hire: how far and how fast, in which zones, how long after dark. It is evidence for a person to
 * look at, never a charge. What it cannot show, a wake or where the lever stood, is not inferred.
 */

export type Breach = {
  /** `speed`: faster than the limit; `closed`: where no boat goes; `near`: inside the ring of a hazard. */
  is: 'speed' | 'closed' | 'near';
  /** The feature of the waters. */
  feature: string;
  fromMs: number;
  toMs: number;
  fixes: number;
  /** The fastest it was, smoothed, and what may be taken off it for the error of the fixes, m/s. */
  fastestMs: number;
  offMs: number;
  limitMs: number | undefined;
  at: LonLat;
  /** Beyond what the errors of position and speed explain, over several fixes; otherwise it is doubtful. */
  sure: boolean;
};

/** A part of the line to be drawn. */
export type TrackPoint = { atMs: number; at: LonLat; speedMs: number; anew: boolean };

export type TrackReport = {
  fromMs: number;
  toMs: number;
  fixes: number;
  faults: TrackFaults;
  /** Fixes within the waters' extent; none of them: the track is of somewhere else. */
  here: number;
  distanceM: number;
  fastestMs: number;
  /** Under way at all; as fast as only an engine makes her; under way in the dark; under way close to the shore, ms. */
  movingMs: number;
  engineMs: number;
  darkMs: number;
  nearShoreMs: number;
  breaches: Breach[];
  line: TrackPoint[];
};

/** How far off a fix of a plotter or a phone usually is, m. */
export const FIX_ERROR_M = 6;
/** Slower, she lies or drifts; faster, nothing but an engine moves a hired boat, m/s. */
const [MOVING_MS, ENGINE_MS] = [0.5, 1.2];
/** Close to a shore, m. */
const NEAR_SHORE_M = 30;
/** One run of a breach goes on over so long without one. */
const LULL_MS = 10_000;
/** A run is looked at from so many fixes and so long on; surely a breach, from so many and so long that are beyond doubt. */
const [SEEN_FIXES, SEEN_MS, SURE_FIXES, SURE_MS] = [3, 5_000, 5, 15_000];
/** Standard deviations of speed that are given to the renter. */
const GIVEN = 2;
const MOST_POINTS = 2_000;
const MOST_BREACHES = 200;

type Ruled = { feature: Feature; is: Breach['is']; limitMs: number | undefined; zone: GridZone };

const ruledOf = ({ zones, spots }: Sheet): Ruled[] => [
  ...zones.flatMap(({ feature, polygon }): Ruled[] => {
    const limitMs = zoneLimitMs(feature);
    const closed = CLOSED_KINDS.includes(feature.properties.kind);
    if (!closed && limitMs === undefined) return [];
    return [{ feature, is: closed ? 'closed' : 'speed', limitMs, zone: { polygon, nearShoreM: feature.properties.fromShoreM } }];
  }),
  ...spots.flatMap(({ feature, at }): Ruled[] =>
    feature.properties.kind === 'hazard'
      ? [{ feature, is: 'near', limitMs: undefined, zone: { at, radiusM: feature.properties.radiusM ?? USUAL_RING_M } }]
      : [],
  ),
];

type Run = { first: number; last: number; fixes: number; sureFixes: number; sureMs: number; lastSure: number; best: number };

const [SLICE_MS, MINUTE_MS] = [600_000, 60_000];

/** Whether it is dark: asked at both ends of every ten minutes, and by the minute in those between which it changes. */
const darkness = (position: LonLat | undefined) => {
  if (!position) return () => false;
  const asked = new Map<number, boolean>();
  const ask = (ms: number): boolean => {
    const known = asked.get(ms);
    if (known !== undefined) return known;
    const dark = isDark(new Date(ms).toISOString(), position);
    asked.set(ms, dark);
    return dark;
  };
  let slice = { from: NaN, is: undefined as boolean | undefined };
  return (atMs: number): boolean => {
    const from = Math.floor(atMs / SLICE_MS) * SLICE_MS;
    if (from !== slice.from) slice = { from, is: ask(from) === ask(from + SLICE_MS) ? ask(from) : undefined };
    return slice.is ?? ask(Math.floor(atMs / MINUTE_MS) * MINUTE_MS);
  };
};

/**
 * @param base where the sun is asked for @param errorM how far off a fix may be
 * @returns nothing where not one fix can be used
 */
export const trackReport = (fixes: Fixes, sheet: Sheet, base: LonLat | undefined, errorM = FIX_ERROR_M): TrackReport | undefined => {
  const clean = cleaned(fixes, sheet.plane, errorM);
  const { atMs, x, y, starts, faults } = clean;
  const count = atMs.length;
  if (count === 0) return undefined;
  const { speedMs, offMs } = smoothed(clean, errorM);
  const ruled = ruledOf(sheet);
  const shore = sheet.water.map(({ polygon }) => polygon);
  // The water itself comes last, for how long she was close to its shore.
  const nearShore = shore.map((polygon) => ({ polygon, nearShoreM: NEAR_SHORE_M }));
  const grid = zoneGrid([...ruled.map(({ zone }) => zone), ...nearShore], shore, errorM);
  const isDarkAt = darkness(base);
  const anew = new Set(starts);
  const runs = new Map<number, Run>();
  const breaches: Breach[] = [];
  const end = (zone: number, run: Run) => {
    runs.delete(zone);
    const spanMs = atMs[run.last]! - atMs[run.first]!;
    if (run.fixes < SEEN_FIXES || spanMs < SEEN_MS || breaches.length >= MOST_BREACHES) return;
    const { feature, is, limitMs } = ruled[zone]!;
    breaches.push({
      is,
      feature: feature.id,
      fromMs: atMs[run.first]!,
      toMs: atMs[run.last]!,
      fixes: run.fixes,
      fastestMs: speedMs[run.best]!,
      offMs: Number.isFinite(offMs[run.best]!) ? GIVEN * offMs[run.best]! : 0,
      limitMs,
      at: sheet.plane.toLonLat([x[run.best]!, y[run.best]!]),
      sure: run.sureFixes >= SURE_FIXES && run.sureMs >= SURE_MS,
    });
  };
  const { minX, minY, maxX, maxY } = sheet.box;
  let [here, distanceM, fastestMs, movingMs, engineMs, darkMs, nearShoreMs] = [0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < count; i += 1) {
    const place = [x[i]!, y[i]!] as const;
    const speed = speedMs[i]!;
    const off = GIVEN * offMs[i]!;
    if (place[0] >= minX && place[0] <= maxX && place[1] >= minY && place[1] <= maxY) here += 1;
    const stepMs = i === 0 || anew.has(i) ? 0 : atMs[i]! - atMs[i - 1]!;
    const moves = speed - off > 0 && speed > MOVING_MS;
    if (moves) {
      movingMs += stepMs;
      distanceM += (speed * stepMs) / 1000;
      if (speed > ENGINE_MS) engineMs += stepMs;
      if (stepMs > 0 && isDarkAt(atMs[i]!)) darkMs += stepMs;
      if (speed - off > fastestMs) fastestMs = speed - off;
    }
    if (runs.size > 0) for (const [zone, run] of runs) if (anew.has(i) || atMs[i]! - atMs[run.last]! > LULL_MS) end(zone, run);
    for (const zone of grid.at(place)) {
      if (zone >= ruled.length) {
        if (moves) nearShoreMs += stepMs;
        continue;
      }
      const { is, limitMs } = ruled[zone]!;
      if (is === 'speed' && !(speed > limitMs!)) continue;
      const sure = (is !== 'speed' || speed - off > limitMs!) && grid.isSure(zone, place);
      const run = runs.get(zone);
      if (!run) {
        runs.set(zone, { first: i, last: i, fixes: 1, sureFixes: sure ? 1 : 0, sureMs: 0, lastSure: sure ? i : -1, best: i });
        continue;
      }
      run.last = i;
      run.fixes += 1;
      if (speed > speedMs[run.best]!) run.best = i;
      if (!sure) continue;
      run.sureFixes += 1;
      // Only what lies between two fixes that follow one another is time beyond doubt.
      if (run.lastSure === i - 1) run.sureMs += stepMs;
      run.lastSure = i;
    }
  }
  for (const [zone, run] of runs) end(zone, run);
  const every = Math.max(1, Math.ceil(count / MOST_POINTS));
  const line: TrackPoint[] = [];
  for (let i = 0; i < count; i += 1)
    if (i % every === 0 || i === count - 1 || (anew.has(i) && line.length < 2 * MOST_POINTS))
      line.push({ atMs: atMs[i]!, at: sheet.plane.toLonLat([x[i]!, y[i]!]), speedMs: speedMs[i]!, anew: anew.has(i) });
  return {
    fromMs: atMs[0]!,
    toMs: atMs[count - 1]!,
    fixes: count,
    faults,
    here,
    distanceM,
    fastestMs,
    movingMs,
    engineMs,
    darkMs,
    nearShoreMs,
    breaches: breaches.sort((a, b) => Number(b.sure) - Number(a.sure) || a.fromMs - b.fromMs),
    line,
  };
};
