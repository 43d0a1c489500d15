import { fuse, type LevelReading } from './fuse';

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

export const simulateHires = (count: number, seed: number): FuelOutcome => {
  let a = seed;
  const next = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  const inTank = (v: number) => Math.min(CAPACITY, Math.max(0, v));
  const squares = { fused: 0, needle: 0, sightLine: 0, totaliser: 0, hours: 0 };
  let [covered, stuckHires, stuckCovered, width, over, big, under, needleOver] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let hire = 0; hire < count; hire += 1) {
    const out = CAPACITY * (0.75 + 0.25 * next());
    const used = out * 0.85 * next();
    const back = out - used;
    // Of the needle's 6 %, 4 % belong to the gauge and are the same both times.
    const bias = 0.04 * CAPACITY * normal();
    const needle = (v: number): LevelReading => {
      const tilted = next() < 0.2;
      return { method: 'needle', tilted, litres: inTank(v + bias + (tilted ? 0.0917 : 0.0447) * CAPACITY * normal()) };
    };
    const line = (v: number): LevelReading => ({
      method: 'sightLine',
      litres: inTank(v + 0.025 * CAPACITY * normal() + (next() < 0.04 ? (next() < 0.5 ? -1 : 1) * 0.15 * CAPACITY : 0)),
    });
    const needleOut = needle(out);
    const stuck = next() < 0.08;
    const needleIn: LevelReading = stuck ? { ...needleOut, tilted: false } : needle(back);
    const [lineOut, lineIn] = [line(out), line(back)];
    const totaliser = Math.max(0, used * (1 + 0.04 * normal()) + 0.01 * CAPACITY * normal());
    const hours = Math.max(0, used * (1 + 0.2 * normal()));
    const fused = fuse({
      capacityL: CAPACITY,
      out: [needleOut, lineOut],
      in: [needleIn, lineIn],
      use: [
        { method: 'totaliser', litres: totaliser },
        { method: 'hours', litres: hours },
      ],
    })!.used!;
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
