import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';

const TOOL = join(__dirname, '../../../../dist/compareCommand.mjs');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'quay-compare-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A painted side, full of things to know it by, with or without a new scratch. */
const side = (scratch: boolean) => {
  let a = 5;
  const next = () => (a = (Math.imul(a, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const things = Array.from({ length: 260 }, () => {
    const [x, y, r, v] = [next() * 1600, 120 + next() * 960, 4 + next() * 26, Math.round(30 + next() * 200)];
    return next() < 0.5
      ? `<circle cx="${x}" cy="${y}" r="${r}" fill="rgb(${v},${v},${v})"/>`
      : `<rect x="${x}" y="${y}" width="${r * 2}" height="${r}" fill="rgb(${v},${Math.round(v * 0.9)},${v})" transform="rotate(${next() * 90} ${x} ${y})"/>`;
  }).join('');
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200"><rect width="1600" height="1200" fill="#8a9a94"/>${things}<rect x="690" y="500" width="240" height="180" fill="#8a9a94"/>${scratch ? '<path d="M730 640L800 575L870 560" stroke="#f2efe2" stroke-width="7" fill="none"/>' : ''}</svg>`,
  );
};
const file = async (name: string, scratch: boolean, change: (image: sharp.Sharp) => sharp.Sharp = (image) => image) => {
  const path = join(folder, name);
  writeFileSync(
    path,
    await change(sharp(side(scratch)))
      .jpeg({ quality: 92 })
      .toBuffer(),
  );
  return path;
};
type Result = {
  error?: string;
  comparable: boolean;
  reason: string | null;
  inliers: number;
  boxes: { x: number; y: number; width: number; height: number; strength: number }[];
};
const compare = (...args: string[]) => {
  const { stdout, stderr, status } = spawnSync(process.execPath, [TOOL, ...args, '--json'], { encoding: 'utf8' });
  const results = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Result);
  return { results, stderr: stderr.trim(), status };
};
/** Many pairs in one process: each would load OpenCV for itself. */
const compareList = (pairs: [string, string][]) => {
  writeFileSync(join(folder, 'list.txt'), pairs.map((pair) => `${pair.join(' ')}\n`).join(''));
  return compare('--list', join(folder, 'list.txt'));
};
const about = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }, [px, py]: readonly [number, number]) =>
  px > x - 12 && px < x + width + 12 && py > y - 12 && py < y + height + 12;

// OpenCV has to be loaded, while other tests keep the cores busy.
jest.setTimeout(240_000);

describe('two photographs compared by their files', () => {
  it('finds a new scratch, and says where in px of the second file', async () => {
    const { results } = compare(await file('out.jpg', false), await file('in.jpg', true));
    const [seen] = results;
    expect(seen).toMatchObject({ comparable: true, reason: null });
    expect(seen!.boxes.filter((box) => about(box, [800, 580]))).toHaveLength(1);
    expect(seen!.inliers).toBeGreaterThan(100);
  });

  it('goes through a list, whichever way a picture lies on disk, and refuses with the reason what cannot be compared', async () => {
    await file('out.jpg', false);
    // As a phone keeps it that was held upright: turned on disk, and twice as fine.
    await file('turned.jpg', true, (image) => image.resize(3200).rotate(-90).withMetadata({ orientation: 6 }));
    await file('mirrored.jpg', true, (image) => image.flop());
    await file('upsideDown.jpg', true, (image) => image.rotate(180));
    await file('dark.jpg', true, (image) => image.linear(0.08, 0));
    await file('blurred.jpg', true, (image) => image.blur(60));
    writeFileSync(join(folder, 'paper.jpg'), 'no picture');
    const { results, stderr, status } = compareList(
      ['paper.jpg', 'turned.jpg', 'mirrored.jpg', 'upsideDown.jpg', 'dark.jpg', 'blurred.jpg'].map((name) => ['out.jpg', name]),
    );
    const [paper, turned, ...bad] = results;
    expect(paper!.error).toMatch(/paper\.jpg is no photograph that can be read/);
    // Upright (800, 580) of 1600 × 1200 lies on disk at (2 × 580, 3200 − 2 × 800) of 2400 × 3200.
    expect(about(turned!.boxes[0]!, [1160, 1600])).toBe(true);
    expect(bad.map(({ reason }) => reason)).toEqual(['mirrored', 'upsideDown', 'dark', 'fewFeatures']);
    expect([status, stderr]).toEqual([1, 'Not every pair could be read.']);
  });
});
