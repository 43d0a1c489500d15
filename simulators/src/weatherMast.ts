import type { Simulated } from '@quay/contract/simulators';
import type { Observed, WeatherMast } from '@quay/contract/weather';

/** Seconds in which each swings once: primes of each other, so that no two hours are alike. */
const SWINGS = { veer: 2_711, breathe: 1_013, gust: 47, tide: 44_714 } as const;
const swing = (atMs: number, seconds: number, shift: number): number => Math.sin((2 * Math.PI * atMs) / 1000 / seconds + shift);
const tenth = (value: number): number => Math.round(value * 10) / 10;
const hundredth = (value: number): number => Math.round(value * 100) / 100;

const HOUR_MS = 3_600_000;
/** Hours a forecast reaches ahead, and how long after it was made a late one is still handed out, h. */
const AHEAD_H = 48;
const LATE_H = 9;
/** How much of the wind that comes a wrong forecast promises. */
const WRONG_SHARE = 0.45;

/** Wind that the day brings: none before eleven, most at half past three, gone by eight (UTC), m/s. */
const rise = (atMs: number): number => {
  const hour = (atMs / HOUR_MS) % 24;
  return hour > 11 && hour < 20 ? 3.4 * Math.sin((Math.PI * (hour - 11)) / 9) ** 2 : 0;
};

/** Where there is no tide the water stands so high above its lowest all day; where there is one, it keeps so far from either end, m. */
const [STILL_M, FROM_ENDS_M] = [0.8, 0.1];
const waterAt = (at: number, shift: number, tideM: number): number =>
  tideM <= 2 * FROM_ENDS_M ? STILL_M : FROM_ENDS_M + (tideM - 2 * FROM_ENDS_M) * 0.5 * (1 + swing(at, SWINGS.tide, shift));

/** Wind and water at an instant. @param quick with what comes and goes within minutes, which nobody forecasts */
const weatherAt = ({ id, tideM = 0 }: { id: string; tideM?: number }, at: number, quick: boolean): Observed => {
  const shift = [...id].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 7;
  const windMs = 3.6 + rise(at) + (quick ? 1.4 * swing(at, SWINGS.breathe, shift) : 0);
  return {
    at: new Date(at).toISOString(),
    windFromDeg: Math.round(250 + (quick ? 35 * swing(at, SWINGS.veer, shift) : 0) + 360) % 360,
    windMs: tenth(windMs),
    gustMs: tenth(windMs * (1.25 + (quick ? 0.15 * swing(at, SWINGS.gust, shift) : 0.15))),
    currentToDeg: 60,
    currentMs: hundredth(0.06 + 0.04 * swing(at, SWINGS.tide, shift)),
    waterM: hundredth(waterAt(at, shift + 1, tideM)),
  };
};

/**
 * A simulated weather mast with a current meter at its foot, and the service that forecasts for it: the same at the same
 * moment, different from base to base. It can be told to fail: then it is silent, as a mast is whose cable a swan has
 * found, its forecast is this morning's, or it promises less wind than comes.
 */
export const simulatedWeatherMast = (): WeatherMast & Simulated<'weatherMast'> => {
  const mast: WeatherMast & Simulated<'weatherMast'> = {
    simulated: true,
    mode: 'works',
    observe: (base, now) =>
      Promise.resolve(
        mast.mode === 'silent' ? { ok: false, reason: 'silent' } : { ok: true, observed: weatherAt(base, now.getTime(), true) },
      ),
    foresee: (base, now) => {
      if (mast.mode === 'silent') return Promise.resolve({ ok: false, reason: 'silent' });
      const hour = Math.floor(now.getTime() / HOUR_MS) * HOUR_MS;
      const issued = mast.mode === 'late' ? hour - LATE_H * HOUR_MS : hour;
      const share = mast.mode === 'wrong' ? WRONG_SHARE : 1;
      const hours = Array.from({ length: AHEAD_H }, (_, i) => {
        const one = weatherAt(base, issued + i * HOUR_MS, false);
        return { ...one, windMs: tenth(one.windMs * share), gustMs: tenth(one.gustMs * share) };
      });
      return Promise.resolve({ ok: true, forecast: { issuedAt: new Date(issued).toISOString(), hours } });
    },
  };
  return mast;
};
