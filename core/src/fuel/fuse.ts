/**
 * What is in the tank, from readings none of which is to be trusted alone.
 *
 * Departure and return are estimated together on a grid of volumes (out × in), so that a bias which belongs to the
 * gauge is the same both times and cancels in the difference. Each reading's likelihood is a mixture of a good reading
 * and a gross error (a needle that stuck, a line misread). Litres throughout; shares are of the tank's capacity.
 */

export const LEVEL_METHODS = ['needle', 'sightLine', 'dipstick', 'sender', 'sinceBrim', 'brim'] as const;
export type LevelMethod = (typeof LEVEL_METHODS)[number];

export type LevelReading = {
  method: LevelMethod;
  litres: number;
  /** Not at rest or not level: the needle means less. */
  tilted?: boolean;
  /** Which gauge, where a tank has several of a kind: a bias belongs to one of them. */
  gauge?: string;
  /** What this gauge's own errors are, where they have been learnt. */
  errors?: LevelFigures;
};
export type UseReading = { method: 'totaliser' | 'hours'; litres: number };

/** Errors of one way of reading, as shares of capacity (levels) or of the use (usage). */
export type LevelFigures = { sd: number; biasSd: number; tiltedSd: number; stuck: number; gross: number; grossSd: number };
export type UseFigures = { shareOfUse: number; shareOfTank: number; gross: number };
export type FuelFigures = { level: Record<LevelMethod, LevelFigures>; use: Record<UseReading['method'], UseFigures> };

/**
 * Starting figures, until an operator's own metered fills have shown better ones: a needle errs by 6 % in all
 * (4 % belongs to the gauge), 10 % when she lies askew; a sight line by 2.5 %.
 */
export const USUAL_FIGURES: FuelFigures = {
  level: {
    needle: { sd: 0.045, biasSd: 0.04, tiltedSd: 0.092, stuck: 0.08, gross: 0.01, grossSd: 0.3 },
    sightLine: { sd: 0.025, biasSd: 0, tiltedSd: 0.025, stuck: 0, gross: 0.04, grossSd: 0.15 },
    dipstick: { sd: 0.018, biasSd: 0.008, tiltedSd: 0.04, stuck: 0, gross: 0.03, grossSd: 0.15 },
    // A float that is read by wire: it hangs, drifts and lags like any needle, a little less.
    sender: { sd: 0.03, biasSd: 0.035, tiltedSd: 0.06, stuck: 0.06, gross: 0.02, grossSd: 0.3 },
    // Counted down from a fill to the brim: wrong by as much as the counting, and wholly where it was not zeroed.
    sinceBrim: { sd: 0.03, biasSd: 0, tiltedSd: 0.03, stuck: 0, gross: 0.03, grossSd: 0.4 },
    brim: { sd: 0.006, biasSd: 0, tiltedSd: 0.012, stuck: 0, gross: 0.005, grossSd: 0.2 },
  },
  use: { totaliser: { shareOfUse: 0.04, shareOfTank: 0.01, gross: 0.01 }, hours: { shareOfUse: 0.2, shareOfTank: 0.01, gross: 0.02 } },
};

export type Estimate = { value: number; sd: number; low: number; high: number };
export type OddReading = { method: LevelMethod | UseReading['method']; gauge?: string; when: 'out' | 'in' | 'between'; awayL: number };
export type Fused = {
  out: Estimate;
  in: Estimate | undefined;
  used: Estimate | undefined;
  /** Named only with three or more ways of reading: with two nobody knows which is wrong. */
  odd: OddReading[];
  /** Two readings disagree: the interval covers both and a third is asked for. */
  askThird: boolean;
};
export type FuelQuestion = {
  capacityL: number;
  out: readonly LevelReading[];
  in?: readonly LevelReading[];
  /** Litres put in between departure and return. */
  fillsL?: number;
  use?: readonly UseReading[];
  figures?: FuelFigures;
};

const NODES = 76;
/** Nodes and weights of a standard normal (Gauss–Hermite, five points; Abramowitz and Stegun 25.4.46, scaled by √2). */
const BIAS: readonly (readonly [number, number])[] = [
  [-2.85697, 0.0112574],
  [-1.3556262, 0.2220759],
  [0, 0.5333333],
  [1.3556262, 0.2220759],
  [2.85697, 0.0112574],
];
const NO_BIAS: typeof BIAS = [[0, 1]];

const density = (x: number, sd: number): number => Math.exp(-0.5 * (x / sd) ** 2) / (sd * 2.5066282746310002);

/** A reading's likelihood at every volume of the grid but for the gauge's bias: of being gross, once for all biases. */
type Curve = { litres: number; sd: number; good: number; gross: Float64Array };

const curveOf = (reading: LevelReading, f: LevelFigures, grid: Float64Array, capacity: number): Curve => {
  const gross = new Float64Array(grid.length);
  for (let i = 0; i < grid.length; i += 1) gross[i] = f.gross * density(reading.litres - grid[i]!, f.grossSd * capacity);
  return { litres: reading.litres, sd: (reading.tilted ? f.tiltedSd : f.sd) * capacity, good: 1 - f.gross, gross };
};

/** Multiplies a reading's mixture of good and gross into `into`, given the gauge's bias. */
const intoCurve = (into: Float64Array, { litres, sd, good, gross }: Curve, grid: Float64Array, bias: number) => {
  for (let i = 0; i < grid.length; i += 1) into[i]! *= good * density(litres - grid[i]! - bias, sd) + gross[i]!;
};

const estimate = (weights: Float64Array, at: (i: number) => number, step: number): Estimate => {
  let [total, sum, squares] = [0, 0, 0];
  weights.forEach((w, i) => {
    const v = at(i);
    total += w;
    sum += w * v;
    squares += w * v * v;
  });
  const value = sum / total;
  // Each node stands for a cell one step wide; the quantile lies inside its cell.
  const quantile = (p: number) => {
    let seen = 0;
    for (let i = 0; i < weights.length; i += 1) {
      const share = weights[i]! / total;
      if (seen + share >= p && share > 0) return at(i) + ((p - seen) / share - 0.5) * step;
      seen += share;
    }
    return at(weights.length - 1);
  };
  const ends = [at(0), at(weights.length - 1)];
  const [least, most] = [Math.min(...ends), Math.max(...ends)];
  const inside = (v: number) => Math.min(most, Math.max(least, v));
  return { value, sd: Math.sqrt(Math.max(0, squares / total - value ** 2)), low: inside(quantile(0.025)), high: inside(quantile(0.975)) };
};

/** Names the gauge that a reading is of; two readings of one name share its bias. */
const gaugeOf = (r: LevelReading): string => r.gauge ?? r.method;
const figuresOf = (r: LevelReading, figures: FuelFigures): LevelFigures => r.errors ?? figures.level[r.method];

/**
 * Volumes out (rows) and in (columns) with the likelihood of everything read so far. Nobody makes fuel: a row ends where
 * more would be in the tank than there was and was filled, and cells beyond its end are never touched. Only rows when
 * nothing was read at return.
 */
type Plane = { grid: Float64Array; step: number; cells: Float64Array; columns: number; ends: Int32Array };

const planeOf = (q: FuelQuestion): Plane => {
  const both = (q.in?.length ?? 0) > 0;
  const step = q.capacityL / (NODES - 1);
  const grid = Float64Array.from({ length: NODES }, (_, i) => i * step);
  const columns = both ? NODES : 1;
  const ends = Int32Array.from({ length: NODES }, (_, i) => (both ? Math.min(NODES, Math.floor(i + (q.fillsL ?? 0) / step + 0.5) + 1) : 1));
  const cells = new Float64Array(NODES * columns);
  for (let i = 0; i < NODES; i += 1) cells.fill(1, i * columns, i * columns + ends[i]!);
  return { grid, step, cells, columns, ends };
};

/** Multiplies in the likelihood of everything one gauge showed, its bias integrated out. */
const readGauge = (gauge: string, q: FuelQuestion, figures: FuelFigures, { grid, cells, columns, ends }: Plane) => {
  const out = q.out.filter((r) => gaugeOf(r) === gauge);
  const back = (q.in ?? []).filter((r) => gaugeOf(r) === gauge);
  const [outFirst, backFirst] = [out[0], back[0]];
  const f = figuresOf((outFirst ?? backFirst)!, figures);
  const capacity = q.capacityL;
  // Stuck: the return shows what departure showed, whatever is in the tank.
  const stuck = f.stuck > 0 && outFirst && backFirst ? f.stuck * density(backFirst.litres - outFirst.litres, 0.012 * capacity) : 0;
  const moving = stuck > 0 || (f.stuck > 0 && outFirst) ? 1 - f.stuck : 1;
  const nodes = f.biasSd > 0 ? BIAS : NO_BIAS;
  const z = nodes.length;
  // For each volume its likelihoods under every bias side by side, since the innermost loop below runs over them.
  const [rows, sides] = [new Float64Array(NODES * z), new Float64Array(NODES * z)];
  const one = new Float64Array(NODES);
  const [outCurves, backCurves] = [out, back].map((readings) => readings.map((r) => curveOf(r, f, grid, capacity))) as [Curve[], Curve[]];
  nodes.forEach(([deviation, weight], n) => {
    const bias = deviation * f.biasSd * capacity;
    one.fill(weight);
    for (const curve of outCurves) intoCurve(one, curve, grid, bias);
    for (let i = 0; i < NODES; i += 1) rows[i * z + n] = one[i]!;
    one.fill(1);
    for (const curve of backCurves) intoCurve(one, curve, grid, bias);
    for (let j = 0; j < NODES; j += 1) sides[j * z + n] = columns === 1 ? 1 : moving * one[j]! + stuck;
  });
  for (let i = 0; i < NODES; i += 1) {
    const end = ends[i]!;
    const r = i * z;
    if (z === 1) {
      for (let j = 0, k = i * columns; j < end; j += 1, k += 1) cells[k]! *= rows[r]! * sides[j]!;
      continue;
    }
    // Written out: this is where the time goes.
    const [r0, r1, r2, r3, r4] = [rows[r]!, rows[r + 1]!, rows[r + 2]!, rows[r + 3]!, rows[r + 4]!];
    for (let j = 0, s = 0, k = i * columns; j < end; j += 1, s += 5, k += 1)
      cells[k]! *= r0 * sides[s]! + r1 * sides[s + 1]! + r2 * sides[s + 2]! + r3 * sides[s + 3]! + r4 * sides[s + 4]!;
  }
};

/** The use depends on the difference of the two volumes alone, so one row of it serves the whole plane. */
const readUse = (reading: UseReading, q: FuelQuestion, f: UseFigures, { step, cells, ends }: Plane) => {
  const row = new Float64Array(2 * NODES - 1);
  for (let k = 0; k < row.length; k += 1) {
    const used = Math.max(0, (k - NODES + 1) * step + (q.fillsL ?? 0));
    const sd = Math.sqrt((f.shareOfUse * used) ** 2 + (f.shareOfTank * q.capacityL) ** 2);
    row[k] = (1 - f.gross) * density(reading.litres - used, sd) + f.gross / q.capacityL;
  }
  for (let i = 0; i < NODES; i += 1) {
    const end = ends[i]!;
    for (let j = 0; j < end; j += 1) cells[i * NODES + j]! *= row[i - j + NODES - 1]!;
  }
};

const hull = (e: Estimate, spans: readonly (readonly [number, number])[], capacity: number): Estimate => ({
  ...e,
  low: Math.max(0, Math.min(e.low, ...spans.map(([low]) => low))),
  high: Math.min(capacity, Math.max(e.high, ...spans.map(([, high]) => high))),
});

/** How far two readings of one moment may lie apart before they are said to disagree, in sd of their difference. */
const CONFLICT = 2.6;

const conflictsIn = (readings: readonly LevelReading[], q: FuelQuestion, figures: FuelFigures) => {
  const sdOf = (r: LevelReading) => {
    const f = figuresOf(r, figures);
    return Math.hypot(r.tilted ? f.tiltedSd : f.sd, f.biasSd) * q.capacityL;
  };
  const [a, b] = readings;
  if (readings.length !== 2 || !a || !b || Math.abs(a.litres - b.litres) <= CONFLICT * Math.hypot(sdOf(a), sdOf(b))) return undefined;
  return [a, b].map((r) => [r.litres - 1.96 * sdOf(r), r.litres + 1.96 * sdOf(r)] as const);
};

/**
 * Fuses what was read at departure and, when given, at return.
 * @returns volumes and use with 95 % intervals; `undefined` when nothing at all was read at departure
 */
export const fuse = (q: FuelQuestion): Fused | undefined => {
  if (q.out.length === 0) return undefined;
  const figures = q.figures ?? USUAL_FIGURES;
  const plane = planeOf(q);
  const { grid, step, cells, columns } = plane;
  const both = columns > 1;
  for (const gauge of new Set([...q.out, ...(q.in ?? [])].map(gaugeOf))) readGauge(gauge, q, figures, plane);
  if (both) for (const reading of q.use ?? []) readUse(reading, q, figures.use[reading.method], plane);
  const outWeights = new Float64Array(NODES);
  const inWeights = new Float64Array(NODES);
  const shift = Math.round((q.fillsL ?? 0) / step);
  const usedWeights = new Float64Array(NODES + shift);
  if (both) {
    for (let i = 0; i < NODES; i += 1) {
      for (let j = 0; j < NODES; j += 1) {
        const w = cells[i * NODES + j]!;
        outWeights[i]! += w;
        inWeights[j]! += w;
        const k = i - j + shift;
        if (k >= 0) usedWeights[k]! += w;
      }
    }
  } else cells.forEach((w, i) => (outWeights[i] = w));

  let out = estimate(outWeights, (i) => grid[i]!, step);
  let back = both ? estimate(inWeights, (i) => grid[i]!, step) : undefined;
  let used = both ? estimate(usedWeights, (k) => k * step + (q.fillsL ?? 0) - shift * step, step) : undefined;
  const alone = (q.use?.length ?? 0) === 0;
  const outConflict = alone ? conflictsIn(q.out, q, figures) : undefined;
  const inConflict = alone ? conflictsIn(q.in ?? [], q, figures) : undefined;
  if (outConflict) out = hull(out, outConflict, q.capacityL);
  if (inConflict && back) back = hull(back, inConflict, q.capacityL);
  if ((outConflict || inConflict) && used && back) {
    used = {
      ...used,
      low: Math.max(0, Math.min(used.low, out.low + (q.fillsL ?? 0) - back.high)),
      high: Math.max(used.high, out.high + (q.fillsL ?? 0) - back.low),
    };
  }
  return {
    out,
    in: back,
    used,
    odd: oddOnes(q, figures, out, back, used),
    askThird: outConflict !== undefined || inConflict !== undefined,
  };
};

const oddOnes = (
  q: FuelQuestion,
  figures: FuelFigures,
  out: Estimate,
  back: Estimate | undefined,
  used: Estimate | undefined,
): OddReading[] => {
  const odd: OddReading[] = [];
  const useCount = q.use?.length ?? 0;
  const judge = (readings: readonly LevelReading[], e: Estimate | undefined, when: 'out' | 'in', ways: number) => {
    if (!e || ways < 3) return;
    for (const r of readings) {
      const f = figuresOf(r, figures);
      const awayL = r.litres - e.value;
      const sd = Math.hypot(Math.hypot(r.tilted ? f.tiltedSd : f.sd, f.biasSd) * q.capacityL, e.sd);
      if (Math.abs(awayL) > CONFLICT * sd)
        odd.push({ method: r.method, when, awayL, ...(r.gauge === undefined ? {} : { gauge: r.gauge }) });
    }
  };
  judge(q.out, out, 'out', q.out.length + useCount);
  judge(q.in ?? [], back, 'in', (q.in?.length ?? 0) + useCount);
  if (used && useCount + (q.in?.length ?? 0) >= 3) {
    for (const r of q.use ?? []) {
      const f = figures.use[r.method];
      const awayL = r.litres - used.value;
      if (Math.abs(awayL) > CONFLICT * Math.hypot(f.shareOfUse * used.value, f.shareOfTank * q.capacityL, used.sd))
        odd.push({ method: r.method, when: 'between', awayL });
    }
  }
  return odd;
};
