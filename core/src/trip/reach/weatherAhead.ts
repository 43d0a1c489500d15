import type { WEATHER_SOURCES } from '../events';
import type { WeatherFrom } from './reach';
import type { WindAndCurrent } from './underway';

/** What a mast measured, or a service expects from an hour on; wind where it comes from, current where it runs to. */
export type Weather = Omit<WindAndCurrent, 'windFromDeg'> & { windFromDeg: number; at: string; waterM: number };

/** How the weather to plan with was come by, and what was done to be on the careful side. */
export type Trust = {
  /** `none`: nobody says anything, and a wind from ahead is reckoned with wherever one goes. */
  from: (typeof WEATHER_SOURCES)[number];
  /** When the forecast was given out, or the mast read. */
  at: string | undefined;
  /** The wind was taken so many times as strong as it was said to be. */
  raised: number;
  /** It blows harder now than was foreseen for now. */
  harderThanForeseen: boolean;
};
export type WeatherAhead = { weather: WeatherFrom[]; leastWaterM: number; trust: Trust };

/** A forecast older than this is taken to be short of the wind. */
const OLD_H = 6;
const OLD_FACTOR = 1.3;
/** Where only the wind of now is known, it may rise so many times. */
const UNFORESEEN_FACTOR = 1.5;
/** Nobody knows the wind: a fresh breeze from ahead, m/s. */
export const SUPPOSED_HEAD_MS = 8;
/** What is measured within a gust of what was foreseen is as foreseen, m/s. */
const AS_FORESEEN_MS = 1.5;
const MOST_RAISED = 2.5;
/** What the mast said longer ago than this says nothing of now. */
const MEASURED_H = 3;

const HOUR_MS = 3_600_000;
const round2 = (value: number) => Math.round(value * 100) / 100;

/** Wind and current to plan with from now on, from what was foreseen and what is measured; what is not known is taken on the careful side. */
export const weatherAhead = (
  nowMs: number,
  forecast: { issuedAt: string; hours: readonly Weather[] } | undefined,
  observed: Weather | undefined,
): WeatherAhead => {
  const measured = observed && Math.abs(nowMs - Date.parse(observed.at)) <= MEASURED_H * HOUR_MS ? observed : undefined;
  const sorted = [...(forecast?.hours ?? [])].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const past = sorted.filter(({ at }) => Date.parse(at) <= nowMs);
  const hours = [...past.slice(-1), ...sorted.filter(({ at }) => Date.parse(at) > nowMs)];
  const last = hours.at(-1);
  // A forecast that has run out says nothing of what comes.
  const foreseen = last && Date.parse(last.at) + HOUR_MS > nowMs ? hours : [];
  const asFrom = ({ at, windFromDeg, windMs, currentToDeg, currentMs }: Weather, factor: number): WeatherFrom => ({
    atMs: Date.parse(at),
    windFromDeg,
    windMs: round2(windMs * factor),
    currentToDeg,
    currentMs,
  });
  if (forecast && foreseen.length > 0) {
    const old = nowMs - Date.parse(forecast.issuedAt) > OLD_H * HOUR_MS;
    const harder = measured !== undefined && measured.windMs > foreseen[0]!.windMs + AS_FORESEEN_MS;
    const blows = harder ? Math.min(MOST_RAISED, measured.windMs / Math.max(1, foreseen[0]!.windMs)) : 1;
    const raised = round2(Math.max(old ? OLD_FACTOR : 1, blows));
    return {
      weather: foreseen.map((one) => asFrom(one, raised)),
      leastWaterM: Math.min(...foreseen.map(({ waterM }) => waterM)),
      trust: { from: old ? 'oldForecast' : 'forecast', at: forecast.issuedAt, raised, harderThanForeseen: harder },
    };
  }
  if (measured)
    return {
      weather: [asFrom(measured, 1), { ...asFrom(measured, UNFORESEEN_FACTOR), atMs: nowMs + HOUR_MS }],
      leastWaterM: 0,
      trust: { from: 'observed', at: measured.at, raised: UNFORESEEN_FACTOR, harderThanForeseen: false },
    };
  return {
    weather: [{ atMs: nowMs, windFromDeg: 'ahead', windMs: SUPPOSED_HEAD_MS, currentToDeg: 0, currentMs: 0 }],
    leastWaterM: 0,
    trust: { from: 'none', at: undefined, raised: 1, harderThanForeseen: false },
  };
};
