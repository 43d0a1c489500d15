/**
 * What is in the tank, from readings none of which is to be trusted alone.
 *
 * Departure and return are estimated together on a grid of volumes (out × in), so that a bias which belongs to the
 * gauge is the same both times and cancels in the difference. Each reading's likelihood is a mixture of a good reading
 * and a gross error (a needle that stuck, a line misread). Litres throughout; shares are of the tank's capacity.
 */

export type LevelReading = {
  method: 'needle' | 'sightLine' | 'brim';
  litres: number;
  /** Not at rest or not level: the needle means less. */
  tilted?: boolean;
};
export type UseReading = { method: 'totaliser' | 'hours'; litres: number };

/** Errors of one way of reading, as shares of capacity (levels) or of the use (usage). */
export type LevelFigures = { sd: number; biasSd: number; tiltedSd: number; stuck: number; gross: number; grossSd: number };
export type UseFigures = { shareOfUse: number; shareOfTank: number; gross: number };
export type FuelFigures = { level: Record<LevelReading['method'], LevelFigures>; use: Record<UseReading['method'], UseFigures> };

/**
 * Starting figures, until an operator's own metered fills have shown better ones: a needle errs by 6 % in all
 * (4 % belongs to the gauge), 10 % when she lies askew; a sight line by 2.5 %.
 */
export const USUAL_FIGURES: FuelFigures = {
  level: {
    needle: { sd: 0.045, biasSd: 0.04, tiltedSd: 0.092, stuck: 0.08, gross: 0.01, grossSd: 0.3 },
    sightLine: { sd: 0.025, biasSd: 0, tiltedSd: 0.025, stuck: 0, gross: 0.04, grossSd: 0.15 },
    brim: { sd: 0.006, biasSd: 0, tiltedSd: 0.012, stuck: 0, gross: 0.005, grossSd: 0.2 },
  },
  use: { totaliser: { shareOfUse: 0.04, shareOfTank: 0.01, gross: 0.01 }, hours: { shareOfUse: 0.2, shareOfTank: 0.01, gross: 0.02 } },
};

export type Estimate = { value: number; sd: number; low: number; high: number };
export type OddReading = { method: LevelReading['method'] | UseReading['method']; when: 'out' | 'in' | 'between'; awayL: number };
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
/** Nodes and weights of a standard normal (Gauss–Hermite, seven points; Abramowitz and Stegun 25.4.46, scaled by √2). */
const BIAS: readonly (readonly [number, number])[] = [
  [-3.7504397, 0.000548269],
  [-2.3667594, 0.0307571],
  [-1.1544054, 0.2401232],
  [0, 0.4571428],
  [1.1544054, 0.2401232],
  [2.3667594, 0.0307571],
  [3.7504397, 0.000548269],
];

const density = (x: number, sd: number): number => Math.exp(-0.5 * (x / sd) ** 2) / (sd * 2.5066282746310002);

/** A readings' mixture at every volume of the grid, given the gauge's bias. */
const curve = (reading: LevelReading, f: LevelFigures, grid: Float64Array, capacity: number, bias: number): Float64Array => {
  const sd = (reading.tilted ? f.tiltedSd : f.sd) * capacity;
  return grid.map(
    (v) => (1 - f.gross) * density(reading.litres - v - bias, sd) + f.gross * density(reading.litres - v, f.grossSd * capacity),
  );
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

type Method = LevelReading['method'];
const METHODS: readonly Method[] = ['needle', 'sightLine', 'brim'];

/** Likelihood over out (rows) and in (columns) of everything one gauge showed, its bias integrated out. */
const gaugeSurface = (method: Method, q: FuelQuestion, f: LevelFigures, grid: Float64Array, cells: Float64Array, both: boolean) => {
  const out = q.out.filter((r) => r.method === method);
  const back = (q.in ?? []).filter((r) => r.method === method);
  if (out.length + back.length === 0) return;
  const n = grid.length;
  const m = both ? n : 1;
  const surface = new Float64Array(cells.length);
  for (const [z, weight] of f.biasSd > 0 ? BIAS : ([[0, 1]] as const)) {
    const bias = z * f.biasSd * q.capacityL;
    const product = (readings: readonly LevelReading[]) => {
      const p = new Float64Array(n).fill(1);
      for (const r of readings) curve(r, f, grid, q.capacityL, bias).forEach((l, i) => (p[i]! *= l));
      return p;
    };
    const a = product(out);
    const b = both ? product(back) : undefined;
    // Stuck: the return shows what departure showed, whatever is in the tank.
    const stuck =
      f.stuck > 0 && out.length > 0 && back.length > 0 ? f.stuck * density(back[0]!.litres - out[0]!.litres, 0.012 * q.capacityL) : 0;
    const moving = stuck > 0 || (f.stuck > 0 && out.length > 0) ? 1 - f.stuck : 1;
    for (let i = 0; i < n; i += 1) {
      const row = weight * a[i]!;
      for (let j = 0; j < m; j += 1) surface[i * m + j]! += b ? row * (moving * b[j]! + stuck) : row;
    }
  }
  for (let k = 0; k < cells.length; k += 1) cells[k]! *= surface[k]!;
};

/** The use depends on the difference of the two volumes alone, so one row of it serves the whole grid. */
const useSurface = (reading: UseReading, q: FuelQuestion, f: UseFigures, step: number, cells: Float64Array) => {
  const row = Float64Array.from({ length: 2 * NODES - 1 }, (_, k) => {
    const used = Math.max(0, (k - NODES + 1) * step + (q.fillsL ?? 0));
    const sd = Math.hypot(f.shareOfUse * used, f.shareOfTank * q.capacityL);
    return (1 - f.gross) * density(reading.litres - used, sd) + f.gross / q.capacityL;
  });
  for (let i = 0; i < NODES; i += 1) for (let j = 0; j < NODES; j += 1) cells[i * NODES + j]! *= row[i - j + NODES - 1]!;
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
    const f = figures.level[r.method];
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
  const both = (q.in?.length ?? 0) > 0;
  const step = q.capacityL / (NODES - 1);
  const grid = Float64Array.from({ length: NODES }, (_, i) => i * step);
  const cells = new Float64Array(both ? NODES * NODES : NODES).fill(1);
  for (const method of METHODS) gaugeSurface(method, q, figures.level[method], grid, cells, both);
  if (both) {
    for (const reading of q.use ?? []) useSurface(reading, q, figures.use[reading.method], step, cells);
    // Nobody makes fuel: the use is never negative.
    for (let i = 0; i < NODES; i += 1)
      for (let j = 0; j < NODES; j += 1) if (grid[j]! > grid[i]! + (q.fillsL ?? 0) + step / 2) cells[i * NODES + j] = 0;
  }
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
      const f = figures.level[r.method];
      const awayL = r.litres - e.value;
      const sd = Math.hypot(Math.hypot(r.tilted ? f.tiltedSd : f.sd, f.biasSd) * q.capacityL, e.sd);
      if (Math.abs(awayL) > CONFLICT * sd) odd.push({ method: r.method, when, awayL });
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
