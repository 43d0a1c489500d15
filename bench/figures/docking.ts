import { hullFigures } from '@quay/core/docking/hull';
import { STEP_S } from '@quay/core/docking/motion';
import { planFor } from '@quay/core/docking/planFor';
import { advance, beginGo, type Entry } from '@quay/core/docking/practice';
import { TASKS } from '@quay/core/docking/names';
import { worldOf } from '@quay/core/docking/tasks';
import { BERTH_KINDS } from '@quay/core/fleet/base';
import { type Figure, figure, figureAtLeast, quantile } from '../figure';

const { hull } = hullFigures({ kind: 'riverCruiser', plan: { lengthM: 10, beamM: 3.3, strokes: [] } });
const SECONDS = 120;
const ROUNDS = 12;

/** Hands that never rest: lever, helm and thruster change twice a second, so that nothing is at its easiest. */
const busy: Entry[] = Array.from({ length: SECONDS * 2 }, (_, i) => ({
  step: i * 15,
  lever: [0.2, 0, -0.2, 0.5][i % 4]!,
  handle: Math.sin(i / 3),
  thruster: (i % 3) - 1,
}));

/** How much faster than the clock one core goes through each task, the slowest of them; and how long a plan takes. */
export const docking = (): Promise<Figure[]> => {
  const rates = TASKS.map((task) => {
    const world = worldOf(task, hull, 'turned');
    const once = () => {
      let go = beginGo(world);
      // A task that ends early goes on: what is measured is the same two minutes of each.
      for (let step = 0; step < SECONDS / STEP_S; step += 1) go = { ...advance(world, go, busy), ended: undefined };
    };
    once();
    const began = performance.now();
    for (let i = 0; i < ROUNDS; i += 1) once();
    const rate = (SECONDS * ROUNDS) / ((performance.now() - began) / 1000);
    console.error(`  ${task}: ${Math.round(rate)} × real time`);
    return rate;
  });
  const plans = Array.from({ length: 3000 }, (_, i) => {
    const now = { windFromDeg: (i * 7) % 360, windMs: (i % 90) / 10, currentToDeg: (i * 13) % 360, currentMs: (i % 40) / 100, waterM: 1 };
    const berth = { kind: BERTH_KINDS[i % BERTH_KINDS.length]!, headingDeg: (i * 3) % 360, side: 'port' as const, depthM: 2 };
    const began = performance.now();
    planFor((['arrive', 'leave', 'lie'] as const)[i % 3]!, { hull, berth, now });
    return performance.now() - began;
  });
  return Promise.resolve([
    figureAtLeast('docking simulation, the slowest task', Math.min(...rates), '×', 2000),
    figure('docking plan, 99th percentile', quantile(plans, 0.99), 'ms', 5),
  ]);
};
