import type { judgeNegative, JudgedReal, judgeSecondView, judgeStranger } from '@quay/server/topics/photo/compare/oracle';
import { type Judged } from '@quay/server/topics/photo/compare/oracle';
import { fetchPhotographs } from '@quay/server/topics/photo/compare/real/packages';
import { type Part, PARTS, SECOND_VIEWS } from '@quay/server/topics/photo/compare/real/photographs';
import { MEASURED } from '@quay/core/photo/measured';
import { buildServer } from '../../server/build';
import { Piscina } from 'piscina';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { type Figure, figure, figureAtLeast, quantile } from '../figure';
import type { Plain, Task } from '../threads/oracle';

const PAIRS = 200;
const NEGATIVES = 300;
const REAL_PAIRS = 200;
const STRANGERS = 150;
/** The plain ways are slower than ours and are much worse; so many pairs show it. */
const PLAIN = 24;
const [FIRST_PAIR, FIRST_NEGATIVE, FIRST_REAL, FIRST_STRANGER] = [1000, 5000, 70_000, 80_000];
/** Photographs that nothing was grown or chosen with; whoever chooses takes `QUAY_PHOTOGRAPHS=choosing`. */
const REAL_PART: Part = PARTS.find((part) => part === process.env.QUAY_PHOTOGRAPHS) ?? 'judging';
const PHOTOGRAPHS = '.build/photographs';

const percent = (part: number, whole: number) => (whole === 0 ? 0 : (part / whole) * 100);

/** How far a share of so many may be by chance from what it would be of endlessly many, 95 % (Wilson 1927), per cent. */
const between = (part: number, whole: number): string => {
  if (whole === 0) return 'none';
  const [z, p] = [1.96, part / whole];
  const middle = (p + (z * z) / (2 * whole)) / (1 + (z * z) / whole);
  const half = (z / (1 + (z * z) / whole)) * Math.sqrt((p * (1 - p)) / whole + (z * z) / (4 * whole * whole));
  return `${(100 * Math.max(0, middle - half)).toFixed(1)} to ${(100 * Math.min(1, middle + half)).toFixed(1)} %`;
};

/** The same of a mean, from its own spread. */
const betweenMean = (values: readonly number[]): string => {
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  const spread = Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / Math.max(1, values.length - 1));
  const half = (1.96 * spread) / Math.sqrt(values.length);
  return `${Math.max(0, mean - half).toFixed(2)} to ${(mean + half).toFixed(2)}`;
};

type Counted = Pick<Judged, 'marks' | 'hits' | 'falseBoxes'>;
const sum = (of: readonly Counted[], key: keyof Counted) => of.reduce((total, one) => total + one[key], 0);
const isRefused = ({ refused }: { refused: unknown }) => refused !== null;

/** How a set of pairs was judged. @param budgets least recall, most false boxes a pair, most pairs refused */
const judgedFigures = (
  name: string,
  judged: readonly Judged[],
  [recall, falseBoxes, refused]: readonly [number, number, number],
): Figure[] => {
  const compared = judged.filter((one) => !isRefused(one));
  const [hits, marks] = [sum(judged, 'hits'), sum(judged, 'marks')];
  const gone = judged.length - compared.length;
  const aPair = compared.map((one) => one.falseBoxes);
  return [
    {
      ...figureAtLeast(`${name}: new flaws found`, percent(hits, marks), '%', recall),
      note: `${hits} of ${marks}; ${between(hits, marks)}`,
    },
    { ...figure(`${name}: false boxes a pair`, sum(compared, 'falseBoxes') / compared.length, '', falseBoxes), note: betweenMean(aPair) },
    {
      ...figure(`${name}: true pairs refused`, percent(gone, judged.length), '%', refused),
      note: `${gone} of ${judged.length}; ${between(gone, judged.length)}`,
    },
  ];
};

const refusedFigure = (name: string, all: readonly { kind: string; refused: unknown }[]): Figure => {
  const refused = all.filter(isRefused).length;
  for (const { kind } of all.filter((one) => !isRefused(one))) console.error(`  compared all the same: ${name}, ${kind}`);
  return {
    ...figureAtLeast(`${name}: refused of what must not be compared`, percent(refused, all.length), '%', 99),
    note: `${refused} of ${all.length}; ${between(refused, all.length)}`,
  };
};

/** By kind of flaw and by the ground it lies on: where it is strong and where it is not. */
const sayByKind = (judged: readonly JudgedReal[]): void => {
  const found = judged.flatMap((one) => one.found);
  for (const key of ['kind', 'ground'] as const)
    for (const which of [...new Set(found.map((one) => one[key]))].sort()) {
      const of = found.filter((one) => one[key] === which);
      const hits = of.filter(({ hit }) => hit).length;
      console.error(`  real, ${which}: ${hits} of ${of.length} found; ${between(hits, of.length)}`);
    }
};

const plainFigures = (name: string, plain: readonly Plain[]): Figure[] =>
  (
    [
      ['pixels', 'plain pixel difference'],
      ['structure', 'plain structural similarity'],
    ] as const
  ).flatMap(([way, words]) => {
    const of = plain.map((one) => one[way]);
    return [
      figureAtLeast(`${name}, ${words}: recall, for comparison`, percent(sum(of, 'hits'), sum(of, 'marks')), '%', 0),
      figure(`${name}, ${words}: false boxes a pair, for comparison`, sum(of, 'falseBoxes') / of.length, '', Infinity),
    ];
  });

/**
 * Pairs with known flaws, made-up and made from real photographs, and pairs that must not be compared; beside them two plain ways
 * without laying one over the other.
 */
export const photo = async (): Promise<Figure[]> => {
  await buildServer('server/dist', { oracle: 'bench/threads/oracle.ts' });
  await fetchPhotographs(PHOTOGRAPHS);
  const pool = new Piscina<Task, unknown>({ filename: join(import.meta.dirname, 'oracle.mjs'), maxThreads: availableParallelism() });
  const all = <T>(first: number, count: number, task: (seed: number) => Task) =>
    Promise.all(Array.from({ length: count }, (_, i) => pool.run(task(first + i)) as Promise<T>));
  const made = <T>(what: 'pair' | 'negative' | 'plain', first: number, count: number) => all<T>(first, count, (seed) => ({ seed, what }));
  const real = <T>(what: 'real' | 'stranger' | 'realPlain' | 'secondView', first: number, count: number) =>
    all<T>(first, count, (seed) => ({ seed, what, folder: PHOTOGRAPHS, part: REAL_PART }));
  try {
    const judged = await made<Judged>('pair', FIRST_PAIR, PAIRS);
    const refused = await made<Awaited<ReturnType<typeof judgeNegative>>>('negative', FIRST_NEGATIVE, NEGATIVES);
    const judgedReal = await real<JudgedReal>('real', FIRST_REAL, REAL_PAIRS);
    const strangers = await real<Awaited<ReturnType<typeof judgeStranger>>>('stranger', FIRST_STRANGER, STRANGERS);
    const views = await real<Awaited<ReturnType<typeof judgeSecondView>>>('secondView', 0, SECOND_VIEWS.length);
    for (const { name, refused: why, boxes } of views) console.error(`  second view, ${name}: ${why ?? `compared, ${boxes} boxes`}`);
    sayByKind(judgedReal);
    const near = views.filter(({ near: is }) => is);
    return [
      ...judgedFigures('made-up', judged, [95, 0.3, 5]),
      refusedFigure('made-up', refused),
      ...judgedFigures('real', judgedReal, [93, 0.3, 3]),
      refusedFigure('real', strangers),
      figureAtLeast(
        'found, less what is said of it on screen',
        percent(sum(judgedReal, 'hits'), sum(judgedReal, 'marks')) - MEASURED.found,
        '%',
        -1,
      ),
      figure(
        'pairs with a false box, less what is said of them on screen',
        percent(judgedReal.filter(({ falseBoxes }) => falseBoxes > 0).length, judgedReal.length) - MEASURED.pairsWithFalseBox,
        '%',
        1,
      ),
      figure(
        `boxes on ${near.length} pairs that were really taken twice, none of them new, a pair`,
        near.reduce((total, { boxes }) => total + boxes, 0) / near.length,
        '',
        0.3,
      ),
      figure(
        'a pair at 1600 px, median, all cores busy',
        quantile(
          judged.map(({ ms }) => ms),
          0.5,
        ),
        'ms',
        3000,
      ),
      ...plainFigures('made-up', await made<Plain>('plain', FIRST_PAIR, PLAIN)),
      ...plainFigures('real', await real<Plain>('realPlain', FIRST_REAL, PLAIN)),
    ];
  } finally {
    await pool.destroy();
  }
};
