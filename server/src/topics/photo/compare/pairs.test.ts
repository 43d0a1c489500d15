import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { judgeNegative, Judged } from './oracle';

const SCRIPT = join(__dirname, '../../../testing/judgeSet.ts');
const judged = async <T>(first: number, count: number, what: 'pair' | 'negative'): Promise<T[]> => {
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', SCRIPT, `${first}`, `${count}`, what], {
    cwd: join(__dirname, '../../../../..'),
    maxBuffer: 1 << 24,
  });
  return JSON.parse(stdout) as T[];
};

it('finds what is new on 24 made-up pairs, boxes little else, and refuses what must not be compared', async () => {
  // Two at a time: there are two cores.
  const [one, two] = await Promise.all([judged<Judged>(7000, 12, 'pair'), judged<Judged>(7012, 12, 'pair')]);
  const pairs = [...one, ...two];
  const sum = (key: 'marks' | 'hits' | 'falseBoxes') => pairs.reduce((total, pair) => total + pair[key], 0);
  expect(pairs.filter(({ refused }) => refused !== null)).toEqual([]);
  expect(sum('marks')).toBeGreaterThan(20);
  expect(sum('hits') / sum('marks')).toBeGreaterThanOrEqual(0.95);
  expect(sum('falseBoxes') / pairs.length).toBeLessThanOrEqual(0.45);
  const negatives = await judged<Awaited<ReturnType<typeof judgeNegative>>>(9000, 12, 'negative');
  expect(negatives.filter(({ refused }) => refused === null)).toEqual([]);
}, 600_000);
