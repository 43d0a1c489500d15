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

/** The next end of the day after an instant, as ISO instants; nothing where the sun stays up or down. */
export const nextDusk = (at: string, position: Position): { sunset: string; dusk: string } | undefined => {
  const from = Date.parse(at);
  // At high latitudes one of them may not come about: then neither is an end of the day to go by.
  for (const { sunset, dusk } of daysAround(from, position)) {
    if (sunset && dusk && dusk.getTime() > from) return { sunset: sunset.toISOString(), dusk: dusk.toISOString() };
  }
  return undefined;
};
