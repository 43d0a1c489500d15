import { fuse } from '@quay/core/fuel/fuse';
import { simulateHires, simulateLearning } from '@quay/core/fuel/simulatedHires';
import { type Figure, figure, figureAtLeast } from '../figure';

/** Departure and return of one tank, read as in the simulated hires, ms: the slowest of a hundred. */
const timeFuse = (): number => {
  const times = Array.from({ length: 2000 }, (_, i) => {
    const at = performance.now();
    fuse({
      capacityL: 150,
      out: [
        { method: 'needle', litres: 100 + (i % 40) },
        { method: 'sightLine', litres: 110 },
      ],
      in: [
        { method: 'needle', litres: 60 },
        { method: 'sightLine', litres: 55 },
      ],
      use: [
        { method: 'totaliser', litres: 52 },
        { method: 'hours', litres: 60 },
      ],
    });
    return performance.now() - at;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length * 0.99)]!;
};

/** 10,000 simulated hires on a 150 L tank. */
export const fuel = (): Promise<Figure[]> => {
  const seen = simulateHires(10_000, 20260613);
  const learnt = simulateLearning(10_000, 20260613);
  const fused = timeFuse();
  return Promise.resolve([
    figure('fuel RMS error / best single method', seen.rms / seen.rmsBestSingle, '×', 0.85),
    figureAtLeast('fuel 95 % interval covers, at least', seen.coverage * 100, '%', 93),
    figure('fuel 95 % interval covers, at most', seen.coverage * 100, '%', 97),
    figureAtLeast('fuel interval covers with a stuck needle', seen.coverageStuck * 100, '%', 90),
    figure('fuel mean half-width', seen.meanHalfWidthL, 'L', 10),
    figure('fuel overcharged', seen.overcharged * 100, '%', 1),
    figure('fuel undercharged', seen.undercharged * 100, '%', 10),
    figureAtLeast('fuel covers, sds 1.5 × larger and learnt', learnt.after * 100, '%', 90),
    figure('fuel fused, 99th percentile', fused, 'ms', 1),
  ]);
};
