import { AIR, lyingDrift } from '../../docking/drift';
import type { HullFigures } from '../../docking/hull';

/** How fast a boat gets over ground when she keeps her lever where it is and the wind, the current or a limit says otherwise. */

/**
 * Wind where it comes from, current where it runs to, degrees true, m/s. A wind `ahead` is against the bow wherever she goes:
 * so it is reckoned where nobody knows it.
 */
export type WindAndCurrent = { windFromDeg: number | 'ahead'; windMs: number; currentToDeg: number; currentMs: number };
export const CALM: WindAndCurrent = { windFromDeg: 0, windMs: 0, currentToDeg: 0, currentMs: 0 };

export type Mover = {
  /** Through the water in calm at the pace renters keep, m/s. */
  cruiseMs: number;
  /** Of that speed, so much is taken off in the chop that a wind ahead raises, for each m/s of it above a light breeze. */
  chopPerMs: number;
  hull: Pick<HullFigures, 'dragK' | 'airDrag' | 'airAreaM2' | 'waterDrag' | 'lateralAreaM2' | 'lengthM' | 'beamM'>;
};

const RAD = Math.PI / 180;

/**
 * Through the water against a wind, m/s, with the thrust that makes `calmMs` in calm:
 * k·v² + ½·ρ·Cd·A·(v + w)·|v + w| = k·v₀² + ½·ρ·Cd·A·v₀². Nothing where the wind sets her back. A wind from behind is not
 * counted on: nobody plans by it.
 * @param headMs wind against the bow over ground, m/s
 */
const againstAir = (calmMs: number, headMs: number, { hull }: Mover): number => {
  if (headMs <= 0) return calmMs;
  // The front of a hull shows the air as much of its side as it is narrower than long.
  const air = 0.5 * AIR * hull.airDrag * hull.airAreaM2 * Math.min(1, hull.beamM / hull.lengthM);
  const { dragK } = hull;
  const thrust = (dragK + air) * calmMs * calmMs;
  // (k + a)·v² + 2·a·w·v + a·w² − thrust = 0, the larger root.
  const [a, b, c] = [dragK + air, 2 * air * headMs, air * headMs * headMs - thrust];
  const root = b * b - 4 * a * c;
  return root <= 0 ? 0 : Math.max(0, (-b + Math.sqrt(root)) / (2 * a));
};

/** A wind that raises no chop worth slowing for, m/s; and the most that anybody slows down for one. */
const LIGHT_MS = 4;
const MOST_CHOP = 0.5;

/** Through the water against a wind, m/s: what the air takes, and what people take off themselves so as not to slam. */
const againstWind = (calmMs: number, headMs: number, mover: Mover): number =>
  againstAir(calmMs, headMs, mover) * (1 - Math.min(MOST_CHOP, Math.max(0, headMs - LIGHT_MS) * mover.chopPerMs));

/**
 * Along a track over ground, m/s, steering up against what sets her aside; 0 where she cannot hold it.
 * @param trackDeg where the track leads, degrees true @param limitMs the limit over ground that holds there
 */
export const alongTrack = (trackDeg: number, wind: WindAndCurrent, mover: Mover, limitMs = Infinity): number => {
  const calmMs = Math.min(mover.cruiseMs, limitMs);
  const off = wind.windFromDeg === 'ahead' ? 0 : (wind.windFromDeg - trackDeg) * RAD;
  const run = (wind.currentToDeg - trackDeg) * RAD;
  const through = againstWind(calmMs, wind.windMs * Math.cos(off), mover);
  // A wind from starboard sets to port.
  const aside = lyingDrift(-wind.windMs * Math.sin(off), wind.currentMs * Math.sin(run), mover.hull);
  if (Math.abs(aside) >= through) return 0;
  const over = Math.sqrt(through * through - aside * aside) + wind.currentMs * Math.cos(run);
  return Math.max(0, Math.min(over, limitMs));
};
