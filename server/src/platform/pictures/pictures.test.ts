import { createHash } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { flatPng } from '../../testing/bombs';
import { type Limits, picturesApart, picturesHere } from './pictures';
import type { PictureWork } from './work';

let folder: string;
const begun: PictureWork[] = [];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'quay-pictures-'));
});
afterEach(async () => {
  for (const one of begun.splice(0)) await one.end();
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const apart = (limits?: Limits): PictureWork => {
  const made = picturesApart(['--import', 'tsx', join(__dirname, 'process.ts')], limits);
  begun.push(made);
  return made;
};
const kept = async (bytes: Buffer) => {
  const sha = createHash('sha256').update(bytes).digest('hex');
  const file = join(folder, sha);
  await writeFile(file, bytes);
  return { file, sha };
};
const judged = async (work: PictureWork, bytes: Buffer) => {
  const { file, sha } = await kept(bytes);
  const found = await work.judge(file, sha);
  return found.ok ? found.media : found.fault;
};
const jpeg = () =>
  sharp({ create: { width: 80, height: 50, channels: 3, background: '#357' } })
    .jpeg()
    .toBuffer();
/** Noise in seven passes: all of it has to be in memory before the first line is whole. */
const heavy = () =>
  sharp({ create: { width: 6800, height: 6800, channels: 4, background: { r: 1, g: 2, b: 3, alpha: 0.5 } } })
    .png({ progressive: true, compressionLevel: 1 })
    .toBuffer();

it('refuses by the head alone what would be huge once it is opened', async () => {
  const here = picturesHere();
  // 194 KB that asked for gigabytes: one line of 25 million points, and one column.
  expect(await judged(here, flatPng(25_000_000, 1))).toBe('tooManyPixels');
  expect(await judged(here, flatPng(1, 2_000_000))).toBe('tooManyPixels');
  expect(await judged(here, flatPng(20_001, 2))).toBe('tooManyPixels');
  // Fifty million points, but of sixteen bits in four colours.
  expect(await judged(here, flatPng(7000, 7000, { depth: 16, colour: 6 }))).toBe('tooManyPixels');
  expect(await judged(here, flatPng(20_000, 2))).toBe('image/png');
});

it('takes no picture that lacks two bytes', async () => {
  const here = picturesHere();
  const whole = await jpeg();
  expect(await judged(here, whole)).toBe('image/jpeg');
  expect(await judged(here, whole.subarray(0, -2))).toBe('truncated');
});

it('opens pictures in a process of its own, one after the other, whoever asks at once', async () => {
  const work = apart();
  const bytes = await jpeg();
  const { file } = await kept(bytes);
  const answers = await Promise.all([
    judged(work, bytes),
    judged(work, flatPng(25_000_000, 1)),
    judged(work, Buffer.from('no picture')),
    work.copy(file, 'small', join(folder, 'small.jpg')).then(() => 'made'),
  ]);
  expect(answers).toEqual(['image/jpeg', 'tooManyPixels', 'noImage', 'made']);
  await expect(work.copy(join(folder, 'none'), 'small', join(folder, 'none.jpg'))).rejects.toThrow(/none/);
});

it('ends with the picture that takes too much memory, and goes on with the next one', async () => {
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const bytes = await heavy();
  expect(await judged(apart(), bytes)).toBe('image/png');
  // With a little too little the picture fails; with much too little the process does.
  for (const memoryKib of [260 * 1024, 100 * 1024]) expect(await judged(apart({ memoryKib }), bytes)).toBe('tooHeavy');
  const work = apart({ memoryKib: 260 * 1024 });
  expect(await judged(work, bytes)).toBe('tooHeavy');
  expect(await judged(work, await jpeg())).toBe('image/jpeg');
  said.mockRestore();
});

it('ends with the picture that takes too long', async () => {
  const work = apart({ timeMs: 1 });
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  expect(await judged(work, await jpeg())).toBe('tooHeavy');
  expect(said).toHaveBeenCalledWith(expect.stringContaining('1 ms'));
  said.mockRestore();
});
