/** What figures of a hull, and of trials with it, can be at all: outside, something was mistyped or is in another unit. */
export const HULL_RANGES = {
  massKg: [50, 200_000],
  draftM: [0.05, 4],
  airAreaM2: [0.2, 400],
  lateralAreaM2: [0.2, 200],
  dragK: [1, 20_000],
  thrustAheadN: [20, 200_000],
  thrustAsternN: [10, 200_000],
  thrusterN: [10, 20_000],
  delayS: [0, 10],
} as const;
/** Everything above nothing, up to this. */
export const TRIAL_MOST = { fromMs: 10, toMs: 10, reachedMs: 30, windMs: 30, setMs: 5, seconds: 600, metres: 1000 } as const;
