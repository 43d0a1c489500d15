import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import type { Hull, Trial } from '../fleet/hull';
import { lyingDrift } from './drift';
import type { HullFigures, Measured } from './hull';
import { coasting, stopping } from './stop';

/** Fits the figures of a hull to what was tried on the water, by least squares of relative errors. */

export type Fitted = Extract<Measured, 'dragK' | 'thrustAheadN' | 'thrustAsternN' | 'airAreaM2'>;
/** Which trials say something about which figure. */
const TOLD_BY: Readonly<Record<Fitted, readonly Trial['is'][]>> = {
  dragK: ['coast'],
  thrustAsternN: ['stop'],
  thrustAheadN: ['full'],
  airAreaM2: ['drift'],
};
const FITTED = Object.keys(TOLD_BY) as Fitted[];
/** Figures are sought between a thirtieth and thirty times of the estimate: further off something else is wrong. */
const FAR = Math.log(30);

type Seen = { measured: number; by: (hull: HullFigures) => number };
/** Every number a trial gives, with what the closed forms say it should be. */
const seenIn = (trial: Trial): Seen[] => {
  switch (trial.is) {
    case 'stop': {
      const way = (hull: HullFigures) => {
        const found = stopping(hull, trial.fromMs, 0);
        return found.ok ? found : { seconds: Infinity, metres: Infinity };
      };
      return [
        ...(trial.seconds === undefined ? [] : [{ measured: trial.seconds, by: (hull: HullFigures) => way(hull).seconds }]),
        ...(trial.metres === undefined ? [] : [{ measured: trial.metres, by: (hull: HullFigures) => way(hull).metres }]),
      ];
    }
    case 'coast':
      return [
        {
          measured: trial.seconds,
          by: (hull) => {
            const found = coasting(hull, trial.fromMs, trial.toMs, 0);
            return found.ok ? found.seconds : Infinity;
          },
        },
      ];
    case 'full':
      return [{ measured: trial.reachedMs, by: ({ thrustAheadN, dragK }) => Math.sqrt(thrustAheadN / dragK) }];
    case 'drift':
      return [{ measured: trial.setMs, by: (hull) => lyingDrift(trial.windMs, 0, hull) }];
  }
};

export type TrialFault = { at: number; reason: 'slowerThanItBegan' | 'nothingMeasured' };
/** Trials that cannot be: by their place in the list. */
export const trialFaults = (trials: readonly Trial[]): TrialFault[] =>
  trials.flatMap((trial, at): TrialFault[] => {
    if (trial.is === 'coast' && trial.toMs >= trial.fromMs) return [{ at, reason: 'slowerThanItBegan' }];
    return trial.is === 'stop' && trial.seconds === undefined && trial.metres === undefined ? [{ at, reason: 'nothingMeasured' }] : [];
  });

export type Fit = {
  /** What the trials say; figures they are silent about are not here. */
  figures: Pick<Hull, Fitted>;
  /** Root mean square of the relative errors that are left. */
  left: number;
  /** For each trial, the largest relative error of its numbers: the one that does not go with the others stands out. */
  off: number[];
};

/**
 * @param from figures to start from, given or estimated; what the trials do not speak of stays as it is there
 * @returns nothing where no trial says anything that can be used
 */
export const fitTrials = (trials: readonly Trial[], from: HullFigures): Fit | undefined => {
  const faulty = new Set(trialFaults(trials).map(({ at }) => at));
  const seen = trials.flatMap((trial, at) => (faulty.has(at) ? [] : seenIn(trial).map((one) => ({ ...one, at }))));
  const sought = FITTED.filter((field) => trials.some(({ is }, at) => TOLD_BY[field].includes(is) && !faulty.has(at)));
  if (seen.length === 0 || sought.length === 0) return undefined;
  // In logarithms: figures stay positive, and a tenth too much counts like a tenth too little.
  const hullOf = (logs: readonly number[]): HullFigures => ({
    ...from,
    ...Object.fromEntries(sought.map((field, i) => [field, from[field] * Math.exp(logs[i]!)])),
  });
  const error = (hull: HullFigures, { by, measured }: Seen): number => Math.log(by(hull) / measured);
  const { parameterValues } = levenbergMarquardt(
    // Everything twice, since the library wants two points and one trial is one: the least squares are at the same place.
    { x: [...seen, ...seen].map((_, i) => i % seen.length), y: [...seen, ...seen].map(() => 0) },
    (logs) => {
      const hull = hullOf(logs);
      return (i) => error(hull, seen[i]!);
    },
    {
      initialValues: sought.map(() => 0),
      minValues: sought.map(() => -FAR),
      maxValues: sought.map(() => FAR),
      gradientDifference: 1e-4,
      centralDifference: true,
      damping: 1e-2,
      maxIterations: 200,
      errorTolerance: 1e-12,
      improvementThreshold: 1e-9,
    },
  );
  const hull = hullOf(parameterValues);
  const errors = seen.map((one) => error(hull, one));
  const off = trials.map((_, at) => Math.max(0, ...seen.flatMap((one, i) => (one.at === at ? [Math.abs(errors[i]!)] : []))));
  return {
    figures: Object.fromEntries(sought.map((field) => [field, hull[field]])),
    left: Math.sqrt(errors.reduce((sum, one) => sum + one * one, 0) / errors.length),
    off,
  };
};
