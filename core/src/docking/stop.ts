import type { HullFigures } from './hull';

/** Taking way off, and running on: closed forms for a hull with quadratic drag along. */

type Along = Pick<HullFigures, 'massKg' | 'added' | 'dragK' | 'thrustAsternN' | 'delayS'>;
export type Way = { ok: true; seconds: number; /** Over ground. */ metres: number } | { ok: false; reason: 'runsFaster' | 'alreadySlower' };

const virtualMass = ({ massKg, added }: Along): number => massKg * (1 + added.surge);

/**
 * How far and how long until she stands over ground, reverse engaged now.
 * Through the water from v0 to v1 = −c with thrust T and drag k·v²: s = m/(2k)·ln((T + k·v0²)/(T + k·v1²)),
 * t = m/√(kT)·(atan(v0·√(k/T)) − atan(v1·√(k/T))) while she goes ahead; once she goes astern through the water the drag
 * is on the other side: s = −m/(2k)·ln(T/(T − k·v²)), t = m/√(kT)·atanh(v·√(k/T)). Over ground c·t is added. The delay of
 * gear and throttle counts at the speed she has.
 * @param v0 through the water ahead, m/s  @param current along the track, m/s, positive with her
 */
export const stopping = (hull: Along, v0: number, current: number): Way => {
  const { dragK: k, thrustAsternN: T, delayS } = hull;
  const m = virtualMass(hull);
  const v1 = -current;
  if (v0 < v1) return { ok: false, reason: 'alreadySlower' };
  // A current that runs faster than she can go astern carries her on.
  if (v1 < 0 && k * v1 * v1 >= T) return { ok: false, reason: 'runsFaster' };
  const scale = Math.sqrt(k / T);
  const least = Math.max(0, v1);
  let seconds = (m / Math.sqrt(k * T)) * (Math.atan(v0 * scale) - Math.atan(least * scale));
  let through = (m / (2 * k)) * Math.log((T + k * v0 * v0) / (T + k * least * least));
  if (v1 < 0) {
    seconds += (m / Math.sqrt(k * T)) * Math.atanh(-v1 * scale);
    through -= (m / (2 * k)) * Math.log(T / (T - k * v1 * v1));
  }
  return { ok: true, seconds: seconds + delayS, metres: through + current * seconds + (v0 + current) * delayS };
};

/**
 * How far and how long she runs on in neutral, through the water from v0 to v1: s = (m/k)·ln(v0/v1), t = (m/k)·(1/v1 − 1/v0).
 * @param current along the track, m/s, positive with her
 */
export const coasting = (hull: Along, v0: number, v1: number, current: number): Way => {
  if (v1 <= 0 || v0 < v1) return { ok: false, reason: 'alreadySlower' };
  const m = virtualMass(hull);
  const seconds = (m / hull.dragK) * (1 / v1 - 1 / v0);
  return { ok: true, seconds, metres: (m / hull.dragK) * Math.log(v0 / v1) + current * seconds };
};
