import fc from 'fast-check';
import { hullOf } from '../testing/hulls';
import type { HullFigures } from './hull';
import { bodyOf, move, STEP_S, type Weather } from './motion';
import { fitTrials, trialFaults } from './trials';
import type { Trial } from '../fleet/hull';

const estimate = hullOf('riverCruiser');
const CALM: Weather = { wind: [0, 0], current: [0, 0] };

/** Tried on the water as the motion in three degrees has it: nothing here knows the closed forms that are fitted. */
const tried = (true_: HullFigures, noise: () => number): Trial[] => {
  const body = bodyOf({ ...true_, walks: 'none' });
  const still = { x: 0, y: 0, heading: 0, surge: 0, sway: 0, turn: 0 };
  const run = (surge: number, lever: number, until: (u: number) => boolean) => {
    let [at, seconds] = [{ ...still, surge }, 0];
    const dt = STEP_S;
    while (!until(at.surge) && seconds < 90) {
      at = move(body, at, { lever, steer: 0, thruster: 0 }, CALM, dt);
      seconds += dt;
    }
    return { seconds, metres: at.x, surge: at.surge };
  };
  const trials: Trial[] = [];
  for (const fromMs of [1, 1.4, 1.8, 2.2]) {
    const stop = run(fromMs, -1, (u) => u <= 0);
    trials.push({
      is: 'stop',
      fromMs,
      seconds: (stop.seconds + true_.delayS) * noise(),
      metres: (stop.metres + true_.delayS * fromMs) * noise(),
    });
    trials.push({ is: 'coast', fromMs, toMs: fromMs / 2, seconds: run(fromMs, 0, (u) => u <= fromMs / 2).seconds * noise() });
  }
  const { surge: reachedMs } = run(0.5, 1, () => false);
  for (let i = 0; i < 3; i += 1) trials.push({ is: 'full', reachedMs: reachedMs * noise() });
  for (const windMs of [4, 6, 8]) {
    let at = { ...still };
    for (let i = 0; i < 60 / STEP_S; i += 1)
      at = {
        ...move(body, at, { lever: 0, steer: 0, thruster: 0 }, { wind: [0, windMs], current: [0, 0] }, STEP_S),
        heading: 0,
        turn: 0,
        surge: 0,
      };
    trials.push({ is: 'drift', windMs, setMs: at.sway * noise() });
  }
  return trials;
};

describe('figures fitted to trials', () => {
  it('are recovered within a fifth, mostly within a tenth, from trials that are off by some hundredths (property)', () => {
    const times = fc.double({ min: 0.5, max: 2, noNaN: true });
    const off: number[] = [];
    fc.assert(
      fc.property(times, times, times, times, fc.integer(), (drag, ahead, astern, air, seed) => {
        const true_: HullFigures = {
          ...estimate,
          dragK: estimate.dragK * drag,
          thrustAheadN: estimate.thrustAheadN * ahead,
          thrustAsternN: estimate.thrustAsternN * astern,
          airAreaM2: estimate.airAreaM2 * air,
        };
        let state = seed >>> 0;
        const uniform = () => {
          state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
          return state / 2 ** 32;
        };
        // A stopwatch and a paced distance: 3 % each way, near enough normal.
        const noise = () => 1 + 0.03 * (uniform() + uniform() + uniform() - 1.5) * 2;
        const fit = fitTrials(tried(true_, noise), estimate);
        for (const field of ['dragK', 'thrustAheadN', 'thrustAsternN', 'airAreaM2'] as const)
          off.push(Math.abs(Math.log(fit!.figures[field]! / true_[field])));
        // Once in some hundred such sets of trials one figure is off by more than a tenth.
        expect(Math.max(...off)).toBeLessThan(0.2);
        expect(fit!.left).toBeLessThan(0.06);
      }),
      { numRuns: 15 },
    );
    expect(off.filter((one) => one < 0.1).length).toBeGreaterThan(0.9 * off.length);
  });

  it('exact trials give the figures exactly, and only those that they speak of', () => {
    const true_ = { ...estimate, dragK: estimate.dragK * 1.7 };
    const coast = tried(true_, () => 1).filter(({ is }) => is === 'coast');
    const fit = fitTrials(coast, estimate);
    expect(fit!.figures.dragK! / true_.dragK).toBeGreaterThan(0.98);
    expect(fit!.figures.dragK! / true_.dragK).toBeLessThan(1.02);
    expect(Object.keys(fit!.figures)).toEqual(['dragK']);
  });

  it('one trial alone is enough for its figure: full ahead at 3 m/s against a drag of 50 N is a thrust of 450 N', () => {
    const fit = fitTrials([{ is: 'full', reachedMs: 3 }], { ...estimate, dragK: 50 });
    expect(fit!.figures.thrustAheadN).toBeCloseTo(450, 3);
    expect(fit!.left).toBeLessThan(1e-6);
  });

  it('the trial that does not go with the others stands out', () => {
    const trials = tried(estimate, () => 1);
    const at = trials.findIndex(({ is }) => is === 'coast');
    const odd = trials.map((trial, i) => (i === at && trial.is === 'coast' ? { ...trial, seconds: trial.seconds * 2 } : trial));
    const { off } = fitTrials(odd, estimate)!;
    expect(off.indexOf(Math.max(...off))).toBe(at);
  });

  it('nothing comes of nothing; what cannot be is named and left out', () => {
    expect(fitTrials([], estimate)).toBeUndefined();
    const wrong: Trial[] = [
      { is: 'coast', fromMs: 1, toMs: 1.4, seconds: 9 },
      { is: 'stop', fromMs: 1 },
    ];
    expect(trialFaults(wrong)).toEqual([
      { at: 0, reason: 'slowerThanItBegan' },
      { at: 1, reason: 'nothingMeasured' },
    ]);
    expect(fitTrials(wrong, estimate)).toBeUndefined();
  });
});
