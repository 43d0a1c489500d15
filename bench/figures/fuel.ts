import { simulateHires } from '@quay/core/fuel/simulatedHires';
import { type Figure, figure, figureAtLeast } from '../figure';

/** 10,000 simulated hires on a 150 L tank. */
export const fuel = (): Promise<Figure[]> => {
  const seen = simulateHires(10_000, 20260613);
  return Promise.resolve([
    figure('fuel RMS error / best single method', seen.rms / seen.rmsBestSingle, '×', 0.85),
    figureAtLeast('fuel 95 % interval covers, at least', seen.coverage * 100, '%', 93),
    figure('fuel 95 % interval covers, at most', seen.coverage * 100, '%', 97),
    figureAtLeast('fuel interval covers with a stuck needle', seen.coverageStuck * 100, '%', 90),
    figure('fuel mean half-width', seen.meanHalfWidthL, 'L', 10),
    figure('fuel overcharged', seen.overcharged * 100, '%', 1),
    figure('fuel undercharged', seen.undercharged * 100, '%', 10),
  ]);
};
