import { type Chance, chance } from '../number/chance';
import { type FuelFigures, fuse, type LevelReading, USUAL_FIGURES, type UseFigures } from './fuse';
import { figuresWith, learnErrors, learnUse, type Sample } from './learn';

/**
 * Simulated hires on a 150 L tank: what the fusing of readings is judged against, in tests and on the bench. The truth
 * is drawn first; readings follow from it with errors drawn apart from the estimator's own arithmetic.
 */
export type FuelOutcome = {
  rms: number;
  rmsBestSingle: number;
  coverage: number;
  coverageStuck: number;
  meanHalfWidthL: number;
  overcharged: number;
  undercharged: number;
  needleOvercharged: number;
};

const CAPACITY = 150;
const inTank = (v: number) => Math.min(CAPACITY, Math.max(0, v));

/** One hire: what was truly used, and what was read. @param worse factor on every true sd @param bias of the needle, L */
const hireOf = ({ next, normal }: Chance, worse: number, bias: number) => {
  const out = CAPACITY * (0.75 + 0.25 * next());
  const used = out * 0.85 * next();
  const back = out - used;
  const needle = (v: number): LevelReading => {
    const tilted = next() < 0.2;
    return { method: 'needle', tilted, litres: inTank(v + bias + worse * (tilted ? 0.0917 : 0.0447) * CAPACITY * normal()) };
  };
  const line = (v: number): LevelReading => ({
    method: 'sightLine',
    litres: inTank(v + worse * 0.025 * CAPACITY * normal() + (next() < 0.04 ? (next() < 0.5 ? -1 : 1) * 0.15 * CAPACITY : 0)),
  });
  const needleOut = needle(out);
  const stuck = next() < 0.08;
  const needleIn: LevelReading = stuck ? { ...needleOut, tilted: false } : needle(back);
  const [lineOut, lineIn] = [line(out), line(back)];
  const totaliser = Math.max(0, used * (1 + worse * 0.04 * normal()) + worse * 0.01 * CAPACITY * normal());
  const hours = Math.max(0, used * (1 + worse * 0.2 * normal()));
  return { used, back, needleOut, needleIn, lineOut, lineIn, totaliser, hours, stuck };
};
/** Of the needle's 6 %, 4 % belong to the gauge and are the same both times. */
const biasOf = ({ normal }: Chance, worse: number) => worse * 0.04 * CAPACITY * normal();

const usedBy = ({ needleOut, needleIn, lineOut, lineIn, totaliser, hours }: ReturnType<typeof hireOf>, figures?: FuelFigures, bias = 0) => {
  const right = (one: LevelReading): LevelReading => ({ ...one, litres: inTank(one.litres - bias) });
  return fuse({
    capacityL: CAPACITY,
    out: [right(needleOut), lineOut],
    in: [right(needleIn), lineIn],
    use: [
      { method: 'totaliser', litres: totaliser },
      { method: 'hours', litres: hours },
    ],
    ...(figures ? { figures } : {}),
  })!.used!;
};

/** Fills after which a boat's gauges are judged by what they have shown. */
const FILLS = 30;

/**
 * Boats whose every gauge is half as bad again as supposed: how often the interval covers by the usual figures, and after
 * their own metered fills have been learnt from. Each boat has its own bias.
 */
export const simulateLearning = (count: number, seed: number): { before: number; after: number } => {
  const luck = chance(seed);
  const each = 40;
  let [before, after] = [0, 0];
  for (let boat = 0; boat < count / each; boat += 1) {
    const bias = biasOf(luck, 1.5);
    const past = Array.from({ length: FILLS }, () => hireOf(luck, 1.5, bias));
    const of = (read: (one: ReturnType<typeof hireOf>) => LevelReading): Sample[] =>
      past.filter((one) => !read(one).tilted).map((one) => ({ shown: read(one).litres / CAPACITY, truth: one.back / CAPACITY }));
    const needle = learnErrors(
      'needle',
      of(({ needleIn }) => needleIn),
    )!;
    const line = learnErrors(
      'sightLine',
      of(({ lineIn }) => lineIn),
    )!;
    const worse = (usual: UseFigures, shown: (one: ReturnType<typeof hireOf>) => number) =>
      learnUse(
        usual,
        past.map((one) => ({ shown: shown(one) / CAPACITY, truth: one.used / CAPACITY })),
      );
    const figures: FuelFigures = {
      level: { ...USUAL_FIGURES.level, needle: figuresWith('needle', needle), sightLine: figuresWith('sightLine', line) },
      use: {
        totaliser: worse(USUAL_FIGURES.use.totaliser, ({ totaliser }) => totaliser),
        hours: worse(USUAL_FIGURES.use.hours, ({ hours }) => hours),
      },
    };
    for (let i = 0; i < each; i += 1) {
      const one = hireOf(luck, 1.5, bias);
      const covers = ({ low, high }: { low: number; high: number }) => Number(low <= one.used && one.used <= high);
      before += covers(usedBy(one));
      after += covers(usedBy(one, figures, needle.bias * CAPACITY));
    }
  }
  const all = Math.ceil(count / each) * each;
  return { before: before / all, after: after / all };
};

export const simulateHires = (count: number, seed: number): FuelOutcome => {
  const luck = chance(seed);
  const squares = { fused: 0, needle: 0, sightLine: 0, totaliser: 0, hours: 0 };
  let [covered, stuckHires, stuckCovered, width, over, big, under, needleOver] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let hire = 0; hire < count; hire += 1) {
    const one = hireOf(luck, 1, biasOf(luck, 1));
    const { used, needleOut, needleIn, lineOut, lineIn, totaliser, hours, stuck } = one;
    const fused = usedBy(one);
    squares.fused += (fused.value - used) ** 2;
    squares.needle += (needleOut.litres - needleIn.litres - used) ** 2;
    squares.sightLine += (lineOut.litres - lineIn.litres - used) ** 2;
    squares.totaliser += (totaliser - used) ** 2;
    squares.hours += (hours - used) ** 2;
    const hit = fused.low <= used && used <= fused.high;
    covered += Number(hit);
    stuckHires += Number(stuck);
    stuckCovered += Number(stuck && hit);
    width += (fused.high - fused.low) / 2;
    over += Number(fused.low > used + 0.02 * CAPACITY);
    needleOver += Number(needleOut.litres - needleIn.litres > used + 0.02 * CAPACITY);
    if (used > 0.15 * CAPACITY) {
      big += 1;
      under += Number(fused.low < 0.85 * used);
    }
  }
  const rms = (sum: number) => Math.sqrt(sum / count);
  return {
    rms: rms(squares.fused),
    rmsBestSingle: Math.min(rms(squares.needle), rms(squares.sightLine), rms(squares.totaliser), rms(squares.hours)),
    coverage: covered / count,
    coverageStuck: stuckCovered / stuckHires,
    meanHalfWidthL: width / count,
    overcharged: over / count,
    undercharged: under / big,
    needleOvercharged: needleOver / count,
  };
};
