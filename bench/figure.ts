/** One measured value against what it may be; `note` says what it comes from and how sure it is. */
export type Figure = { name: string; value: number; unit: string; budget: number; within: boolean; note?: string };

export const figure = (name: string, value: number, unit: string, budget: number): Figure => ({
  name,
  value: Math.round(value * 1000) / 1000,
  unit,
  budget,
  within: value <= budget,
});

/** At least so much, for shares that want to be high. */
export const figureAtLeast = (name: string, value: number, unit: string, budget: number): Figure => ({
  ...figure(name, value, unit, budget),
  within: value >= budget,
});

/** @param share 0.5 for the median, 0.95 for the 95th percentile */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
};

/** Runs work and says how long it took, ms. */
export const timed = async (work: () => unknown): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};
