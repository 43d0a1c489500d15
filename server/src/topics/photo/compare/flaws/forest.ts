/**
 * Judgement by a sum of small trees (gradient boosting with the logistic loss, Friedman 2001, second-order steps as Chen and
 * Guestrin 2016 have them). Each tree asks a few of the features against bounds; what the leaves add up to is the logarithm of
 * the odds.
 */

/** Which feature is asked, below what the left branch is taken, both branches; or what a leaf adds. */
export type Tree = number | [feature: number, bound: number, below: Tree, otherwise: Tree];
export type Forest = { bias: number; trees: Tree[] };

/** @returns logarithm of the odds */
export const oddsOf = ({ bias, trees }: Forest, features: readonly number[]): number => {
  let odds = bias;
  for (const tree of trees) {
    let at: Tree = tree;
    while (typeof at !== 'number') at = features[at[0]]! < at[1] ? at[2] : at[3];
    odds += at;
  }
  return odds;
};

export type Sample = { features: readonly number[]; is: boolean };
export type Training = { rounds: number; depth: number; rate: number; leafMin: number; lambda: number; bins: number };
export const TRAINING: Training = { rounds: 120, depth: 4, rate: 0.1, leafMin: 15, lambda: 2, bins: 32 };
const LEAST_GAIN = 1e-3;

/** Bounds between which a feature is asked: as many samples between any two. */
const boundsOf = (values: readonly number[], bins: number): number[] => {
  const sorted = [...new Set(values)].sort((a, b) => a - b);
  const bounds = new Set<number>();
  for (let k = 1; k < bins; k += 1) bounds.add(sorted[Math.floor((k * sorted.length) / bins)]!);
  return [...bounds];
};

/** Which bin of its bounds a value is in. */
const binOf = (bounds: readonly number[], value: number): number => {
  let [low, high] = [0, bounds.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (value >= bounds[middle]!) low = middle + 1;
    else high = middle;
  }
  return low;
};

/** Grows a forest on samples, the same for the same samples. */
export const train = (samples: readonly Sample[], growth: Training = TRAINING): Forest => {
  const { rounds, depth, rate, leafMin, lambda, bins } = growth;
  const n = samples.length;
  const positive = samples.filter(({ is }) => is).length;
  if (positive === 0 || positive === n) throw new Error('A forest grows on samples of both kinds.');
  const width = samples[0]!.features.length;
  const bounds = Array.from({ length: width }, (_, j) =>
    boundsOf(
      samples.map((sample) => sample.features[j]!),
      bins,
    ),
  );
  const binned = samples.map((sample) => sample.features.map((value, j) => binOf(bounds[j]!, value)));
  const forest: Forest = { bias: Math.log(positive / (n - positive)), trees: [] };
  const odds = new Float64Array(n).fill(forest.bias);
  const [slope, hessian] = [new Float64Array(n), new Float64Array(n)];
  const gainOf = (sum: number, weight: number) => (sum * sum) / (weight + lambda);
  const branch = (of: readonly number[], left: number): Tree => {
    let [sum, weight] = [0, 0];
    for (const i of of) {
      sum += slope[i]!;
      weight += hessian[i]!;
    }
    const leaf = (rate * sum) / (weight + lambda);
    if (left === 0 || of.length < 2 * leafMin) return leaf;
    let best = { gain: LEAST_GAIN, feature: -1, bin: -1 };
    for (let j = 0; j < width; j += 1) {
      const count = bounds[j]!.length + 1;
      const [sums, weights, counts] = [new Float64Array(count), new Float64Array(count), new Uint32Array(count)];
      for (const i of of) {
        const bin = binned[i]![j]!;
        sums[bin]! += slope[i]!;
        weights[bin]! += hessian[i]!;
        counts[bin]! += 1;
      }
      let [s, w, c] = [0, 0, 0];
      for (let bin = 0; bin < count - 1; bin += 1) {
        s += sums[bin]!;
        w += weights[bin]!;
        c += counts[bin]!;
        if (c < leafMin || of.length - c < leafMin) continue;
        const gain = gainOf(s, w) + gainOf(sum - s, weight - w) - gainOf(sum, weight);
        if (gain > best.gain) best = { gain, feature: j, bin };
      }
    }
    if (best.feature < 0) return leaf;
    const { feature, bin } = best;
    const [below, otherwise]: [number[], number[]] = [[], []];
    for (const i of of) (binned[i]![feature]! <= bin ? below : otherwise).push(i);
    return [feature, bounds[feature]![bin]!, branch(below, left - 1), branch(otherwise, left - 1)];
  };
  const everything = samples.map((_, i) => i);
  for (let round = 0; round < rounds; round += 1) {
    for (let i = 0; i < n; i += 1) {
      const likely = 1 / (1 + Math.exp(-odds[i]!));
      slope[i] = (samples[i]!.is ? 1 : 0) - likely;
      hessian[i] = likely * (1 - likely);
    }
    const tree = branch(everything, depth);
    forest.trees.push(tree);
    for (let i = 0; i < n; i += 1) odds[i]! += oddsOf({ bias: 0, trees: [tree] }, samples[i]!.features);
  }
  return forest;
};
