import { getTimes } from 'suncalc';

/** Longitude and latitude, degrees. */
export type Position = readonly [longitude: number, latitude: number];

const DAY_MS = 86_400_000;

/** Solar days that can touch an instant: its own by UTC, and the ones beside it. */
const daysAround = (at: number, [longitude, latitude]: Position) =>
  [-1, 0, 1].map((days) => getTimes(new Date(at + days * DAY_MS), latitude, longitude));

/** Whether it is dark at an instant: between civil dusk and dawn, the sun more than six degrees under the horizon. */
export const isDark = (at: string, position: Position): boolean => {
  const when = Date.parse(at);
  return !daysAround(when, position).some(({ dawn, dusk, nadir, alwaysDown }) =>
    // Where the sun comes up but never goes six degrees under, the whole solar day is light.
    dawn && dusk
      ? dawn.getTime() <= when && when < dusk.getTime()
      : !alwaysDown && nadir !== null && Math.abs(when - nadir.getTime() - DAY_MS / 2) <= DAY_MS / 2,
  );
};

/** From sunrise to sunset of a day of the calendar, ms since 1970; nothing where the sun does not rise, or does not set. @param day `YYYY-MM-DD` */
export const daylightOn = (day: string, [longitude, latitude]: Position): { fromMs: number; toMs: number } | undefined => {
  // Noon by the sun, so that it is this day's, wherever on earth.
  const { sunrise, sunset } = getTimes(new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 360) * DAY_MS), latitude, longitude);
  return sunrise && sunset ? { fromMs: sunrise.getTime(), toMs: sunset.getTime() } : undefined;
};

/** The next end of the day after an instant, as ISO instants; nothing where the sun stays up or down. */
export const nextDusk = (at: string, position: Position): { sunset: string; dusk: string } | undefined => {
  const from = Date.parse(at);
  // At high latitudes one of them may not come about: then neither is an end of the day to go by.
  for (const { sunset, dusk } of daysAround(from, position)) {
    if (sunset && dusk && dusk.getTime() > from) return { sunset: sunset.toISOString(), dusk: dusk.toISOString() };
  }
  return undefined;
};
