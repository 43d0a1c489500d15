import type { judgeNegative } from '@quay/server/topics/photo/compare/oracle';
import { type Judged } from '@quay/server/topics/photo/compare/oracle';
import { buildServer } from '../../server/build';
import { Piscina } from 'piscina';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { type Figure, figure, figureAtLeast, quantile } from '../figure';
import type { Plain, Task } from '../threads/oracle';

const PAIRS = 200;
const NEGATIVES = 300;
/** The plain ways are slower than ours and are much worse; so many pairs show it. */
const PLAIN = 24;
const FIRST_PAIR = 1000;
const FIRST_NEGATIVE = 5000;

const share = (part: number, whole: number) => (whole === 0 ? 0 : (part / whole) * 100);

/** Made-up pairs with known flaws, and pairs that must not be compared; beside them two plain ways without laying one over the other. */
export const photo = async (): Promise<Figure[]> => {
  await buildServer('server/dist', { oracle: 'bench/threads/oracle.ts' });
  const pool = new Piscina<Task, unknown>({ filename: join(import.meta.dirname, 'oracle.mjs'), maxThreads: availableParallelism() });
  const all = <T>(what: Task['what'], first: number, count: number) =>
    Promise.all(Array.from({ length: count }, (_, i) => pool.run({ seed: first + i, what }) as Promise<T>));
  try {
    const judged = await all<Judged>('pair', FIRST_PAIR, PAIRS);
    const refused = await all<Awaited<ReturnType<typeof judgeNegative>>>('negative', FIRST_NEGATIVE, NEGATIVES);
    const plain = await all<Plain>('plain', FIRST_PAIR, PLAIN);
    const sum = (of: readonly Pick<Judged, 'marks' | 'hits' | 'falseBoxes'>[], key: 'marks' | 'hits' | 'falseBoxes') =>
      of.reduce((total, one) => total + one[key], 0);
    const compared = judged.filter((one) => one.refused === null);
    for (const { kind } of refused.filter((one) => one.refused === null)) console.error(`  compared all the same: ${kind}`);
    const plainly = (name: keyof Plain, words: string): Figure[] => {
      const of = plain.map((one) => one[name]);
      return [
        figureAtLeast(`${words}: recall, for comparison`, share(sum(of, 'hits'), sum(of, 'marks')), '%', 0),
        figure(`${words}: false boxes a pair, for comparison`, sum(of, 'falseBoxes') / PLAIN, '', Infinity),
      ];
    };
    return [
      figureAtLeast(`new flaws found on ${PAIRS} pairs`, share(sum(judged, 'hits'), sum(judged, 'marks')), '%', 95),
      figure('false boxes a pair', sum(compared, 'falseBoxes') / PAIRS, '', 0.3),
      figure('true pairs refused', share(PAIRS - compared.length, PAIRS), '%', 5),
      figureAtLeast(
        `refused of ${NEGATIVES} that must not be compared`,
        share(refused.filter((one) => one.refused !== null).length, NEGATIVES),
        '%',
        99,
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
      ...plainly('pixels', 'plain pixel difference'),
      ...plainly('structure', 'plain structural similarity'),
    ];
  } finally {
    await pool.destroy();
  }
};
