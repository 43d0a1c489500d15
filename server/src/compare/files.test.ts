import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';

const TOOL = join(__dirname, '../../dist/tool.mjs');
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
const compare = (...args: string[]) =>
  JSON.parse(execFileSync(process.execPath, [TOOL, 'compare', ...args, '--json'], { encoding: 'utf8' })) as {
    comparable: boolean;
    reason: string | null;
    inliers: number;
    boxes: { x: number; y: number; width: number; height: number; strength: number }[];
  };
const about = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }, [px, py]: readonly [number, number]) =>
  px > x - 12 && px < x + width + 12 && py > y - 12 && py < y + height + 12;

// Each comparison is a process of its own that loads OpenCV, while other tests keep the cores busy.
jest.setTimeout(240_000);

describe('two photographs compared by their files', () => {
  it('finds a new scratch, and says where in px of the second file, whichever way that lies on disk', async () => {
    const out = await file('out.jpg', false);
    const seen = compare(out, await file('in.jpg', true));
    expect(seen).toMatchObject({ comparable: true, reason: null });
    expect(seen.boxes.filter((box) => about(box, [800, 580]))).toHaveLength(1);
    expect(seen.inliers).toBeGreaterThan(100);
    // The same picture as a phone keeps it that was held upright: turned on disk, and twice as fine.
    const turned = await file('turned.jpg', true, (image) => image.resize(3200).rotate(-90).withMetadata({ orientation: 6 }));
    const [box] = compare(out, turned).boxes;
    // Upright (800, 580) of 1600 × 1200 lies on disk at (2 × 580, 3200 − 2 × 800) of 2400 × 3200.
    expect(about(box!, [1160, 1600])).toBe(true);
  });

  it('refuses what is mirrored, upside down, dark or something else, with the reason', async () => {
    const out = await file('out.jpg', false);
    const refused = async (change: (image: sharp.Sharp) => sharp.Sharp) => compare(out, await file('bad.jpg', true, change)).reason;
    expect(await refused((image) => image.flop())).toBe('mirrored');
    expect(await refused((image) => image.rotate(180))).toBe('upsideDown');
    expect(await refused((image) => image.linear(0.08, 0))).toBe('dark');
    expect(await refused((image) => image.blur(60))).toBe('fewFeatures');
  });

  it('goes through a list, says of a file that is no photograph so, and goes on', async () => {
    await file('out.jpg', false);
    await file('in.jpg', true);
    writeFileSync(join(folder, 'paper.jpg'), 'no picture');
    writeFileSync(join(folder, 'list.txt'), 'out.jpg paper.jpg\nout.jpg in.jpg\n');
    const { stdout, stderr, status } = spawnSync(process.execPath, [TOOL, 'compare', '--list', join(folder, 'list.txt'), '--json'], {
      encoding: 'utf8',
    });
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { error?: string; comparable?: boolean });
    expect(lines[0]!.error).toMatch(/paper\.jpg is no photograph that can be read/);
    expect(lines[1]!.comparable).toBe(true);
    expect([status, stderr.trim()]).toEqual([1, 'Not every pair could be read.']);
  });
});
