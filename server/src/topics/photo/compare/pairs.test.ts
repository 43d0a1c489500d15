import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { judgeNegative, Judged, JudgedReal, judgeStranger } from './oracle';
import { fetchPhotographs } from './real/packages';

const SCRIPT = join(__dirname, '../../../testing/judgeSet.ts');
const judged = async <T>(first: number, count: number, what: 'pair' | 'negative'): Promise<T[]> => {
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', SCRIPT, `${first}`, `${count}`, what], {
    cwd: join(__dirname, '../../../../..'),
    maxBuffer: 1 << 24,
  });
  return JSON.parse(stdout) as T[];
};

/** Debian's packages that are small enough to be fetched for a test. */
const PACKAGES = ['lomiri-wallpapers-16.04', 'mate-backgrounds', 'python3-skimage', 'opencv-doc'];
const ROOT = join(__dirname, '../../../../..');

it('finds what is new on 24 pairs made from real photographs, and refuses what must not be compared', async () => {
  const folder = join(ROOT, '.build/photographs');
  // Fetched before two processes would fetch the same.
  await fetchPhotographs(folder, PACKAGES);
  const of = async <T>(first: number, count: number, what: 'pair' | 'stranger'): Promise<T[]> => {
    const script = join(__dirname, '../../../testing/judgeReal.ts');
    const args = ['--import', 'tsx', script, folder, 'choosing', `${first}`, `${count}`, what, ...PACKAGES];
    const { stdout } = await promisify(execFile)(process.execPath, args, { cwd: ROOT, maxBuffer: 1 << 24 });
    return JSON.parse(stdout) as T[];
  };
  const pairs = (await Promise.all([of<JudgedReal>(100, 12, 'pair'), of<JudgedReal>(112, 12, 'pair')])).flat();
  const sum = (key: 'marks' | 'hits' | 'falseBoxes') => pairs.reduce((total, pair) => total + pair[key], 0);
  // What a model grown on made-up boats alone has of them; one that is grown on both has to do better.
  expect(pairs.filter(({ refused }) => refused !== null).length).toBeLessThanOrEqual(1);
  expect(sum('marks')).toBeGreaterThan(20);
  expect(sum('hits') / sum('marks')).toBeGreaterThanOrEqual(0.62);
  expect(sum('falseBoxes') / pairs.length).toBeLessThanOrEqual(1.3);
  const strangers = await of<Awaited<ReturnType<typeof judgeStranger>>>(200, 5, 'stranger');
  expect(strangers.filter(({ refused }) => refused === null)).toEqual([]);
}, 900_000);

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
