import type { Simulated } from '@quay/contract/simulators';
import type { WeatherMast } from '@quay/contract/weather';

/** Seconds in which each swings once: primes of each other, so that no two hours are alike. */
const SWINGS = { veer: 2_711, breathe: 1_013, gust: 47, tide: 44_714 } as const;
const swing = (atMs: number, seconds: number, shift: number): number => Math.sin((2 * Math.PI * atMs) / 1000 / seconds + shift);
const tenth = (value: number): number => Math.round(value * 10) / 10;
const hundredth = (value: number): number => Math.round(value * 100) / 100;

/**
 * A simulated weather mast with a current meter at its foot: the same at the same moment, different from base to base. It
 * can be told to fail; then it is silent, as a mast is whose cable a swan has found.
 */
export const simulatedWeatherMast = (): WeatherMast & Simulated<'weatherMast'> => {
  const mast: WeatherMast & Simulated<'weatherMast'> = {
    simulated: true,
    mode: 'works',
    observe: ({ id }, now) => {
      if (mast.mode === 'silent') return Promise.resolve({ ok: false, reason: 'silent' });
      const shift = [...id].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 7;
      const at = now.getTime();
      const windMs = 3.6 + 1.4 * swing(at, SWINGS.breathe, shift);
      return Promise.resolve({
        ok: true,
        observed: {
          at: now.toISOString(),
          windFromDeg: Math.round(250 + 35 * swing(at, SWINGS.veer, shift) + 360) % 360,
          windMs: tenth(windMs),
          gustMs: tenth(windMs * (1.25 + 0.15 * swing(at, SWINGS.gust, shift))),
          currentToDeg: 60,
          currentMs: hundredth(0.06 + 0.04 * swing(at, SWINGS.tide, shift)),
          waterM: hundredth(0.8 + 0.7 * swing(at, SWINGS.tide, shift + 1)),
        },
      });
    },
  };
  return mast;
};
