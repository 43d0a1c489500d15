import type { GaugeErrors } from '../fleet/rows';
import { type LevelFigures, type LevelMethod, USUAL_FIGURES, type UseFigures } from './fuse';

/** What a gauge showed against what was in the tank, as a fill metered to the brim proved it; shares of the tank. */
export type Sample = { shown: number; truth: number };

/** How many fills the usual figures are worth: so many own ones weigh as much as they do. */
const PRIOR_FILLS = 4;
/** Fewer than this teach nothing. */
export const FILLS_NEEDED = 5;
/** In robust sd of the residuals: what lies further out was stuck or misread, and is no measure of the gauge. */
const GROSS = 3.5;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * Errors of one gauge, re-estimated from its operator's own metered fills. What always is too much or too little is its bias
 * (shrunk towards none by how far such gauges usually are off), the rest is chance (a scaled inverse chi-squared with the
 * usual figure as its prior). Gross errors are set aside by the median absolute deviation first.
 * @returns nothing while there are too few fills
 */
export const learnErrors = (
  method: LevelMethod,
  samples: readonly Sample[],
  usual: LevelFigures = USUAL_FIGURES.level[method],
): GaugeErrors | undefined => {
  const residuals = samples.map(({ shown, truth }) => shown - truth);
  if (residuals.length < FILLS_NEEDED) return undefined;
  const middle = median(residuals);
  // 1.4826 makes the median absolute deviation of a normal its sd.
  const spread = Math.max(1.4826 * median(residuals.map((r) => Math.abs(r - middle))), usual.sd / 4);
  const good = residuals.filter((r) => Math.abs(r - middle) <= GROSS * spread);
  const n = good.length;
  const mean = good.reduce((sum, r) => sum + r, 0) / n;
  const squares = good.reduce((sum, r) => sum + (r - mean) ** 2, 0);
  const variance = (PRIOR_FILLS * usual.sd ** 2 + squares) / (PRIOR_FILLS + n - 1);
  const own = variance / n;
  const prior = usual.biasSd ** 2;
  const round = (x: number) => Math.round(x * 1e5) / 1e5;
  return {
    sd: round(Math.sqrt(variance)),
    bias: round(prior === 0 ? 0 : (mean * prior) / (prior + own)),
    biasSd: round(prior === 0 ? 0 : Math.sqrt((prior * own) / (prior + own))),
    fills: samples.length,
  };
};

/** Figures of a gauge whose own errors have been learnt: askew it errs by as much more as usual. */
export const figuresWith = (method: LevelMethod, errors: GaugeErrors): LevelFigures => {
  const usual = USUAL_FIGURES.level[method];
  return { ...usual, sd: errors.sd, biasSd: errors.biasSd, tiltedSd: (usual.tiltedSd * errors.sd) / usual.sd };
};

/**
 * Figures of a way of counting what was used, re-estimated from fills that proved it: both its shares grow or shrink by the
 * one factor that fits what was seen. @param samples what was counted and what was truly used, shares of the tank
 */
export const learnUse = (usual: UseFigures, samples: readonly Sample[]): UseFigures => {
  if (samples.length < FILLS_NEEDED) return usual;
  const scaled = samples.map(({ shown, truth }) => Math.abs(shown - truth) / Math.hypot(usual.shareOfUse * truth, usual.shareOfTank));
  const spread = Math.max(1.4826 * median(scaled), 0.25);
  const good = scaled.filter((z) => z <= GROSS * spread);
  const factor = Math.sqrt((PRIOR_FILLS + good.reduce((sum, z) => sum + z ** 2, 0)) / (PRIOR_FILLS + good.length));
  return { ...usual, shareOfUse: usual.shareOfUse * factor, shareOfTank: usual.shareOfTank * factor };
};
