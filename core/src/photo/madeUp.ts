import { chance } from '../number/chance';
import type { Pixels } from './quality';

/** Made-up photographs whose blur and light are known: what the check is judged against, in tests and on the bench. */
export type MadeUp = { pixels: Pixels; blurSigmaPx: number; smearPx: number; exposure: number; glare: number };

/** A plane blurred along one axis; beyond its edges it goes on as it ended. */
const blurred = (plane: Float32Array, width: number, height: number, kernel: readonly number[], across: boolean): Float32Array => {
  const out = new Float32Array(plane.length);
  const half = (kernel.length - 1) / 2;
  for (let k = -half; k <= half; k += 1) {
    const weight = kernel[k + half]!;
    for (let y = 0; y < height; y += 1) {
      const to = y * width;
      const from = across ? to : Math.min(height - 1, Math.max(0, y + k)) * width;
      const shift = across ? k : 0;
      const [first, last] = [Math.max(0, -shift), Math.min(width, width - shift)];
      for (let x = 0; x < first; x += 1) out[to + x]! += weight * plane[from]!;
      for (let x = first; x < last; x += 1) out[to + x]! += weight * plane[from + x + shift]!;
      for (let x = last; x < width; x += 1) out[to + x]! += weight * plane[from + width - 1]!;
    }
  }
  return out;
};
const gauss = (sigma: number): number[] => {
  const half = Math.ceil(3 * sigma);
  const raw = Array.from({ length: 2 * half + 1 }, (_, i) => Math.exp(-((i - half) ** 2) / (2 * sigma * sigma)));
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((v) => v / sum);
};

/**
 * A side of a hull over water, with planks, fittings, shading, a flaw or two and the grain of a sensor.
 * @param of how it was taken: in focus and still, out of focus, moved; too little light, or the sun in it
 */
export const madeUpPhoto = (
  seed: number,
  of: { blurSigmaPx?: number; smearPx?: number; exposure?: number; glare?: number },
  [width, height]: readonly [number, number] = [1024, 768],
): MadeUp => {
  const { next, normal } = chance(seed);
  const { blurSigmaPx = 0, smearPx = 0, exposure = 1, glare = 0 } = of;
  let plane = new Float32Array(width * height);
  const [hull, sky, water] = [50 + 130 * next(), 150 + 60 * next(), 90 + 50 * next()];
  const [sheer, line, tilt] = [height * (0.15 + 0.1 * next()), height * (0.7 + 0.1 * next()), (next() - 0.5) * 0.1];
  const planks = 3 + Math.floor(next() * 6);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const top = sheer + tilt * x;
      const under = line + tilt * x * 0.5;
      const inside = y > top && y < under;
      const shade = 30 * Math.sin((2.5 * (x - 200)) / width);
      const seam = inside && Math.abs((((y - top) / (under - top)) * planks) % 1) < 0.045 ? -38 : 0;
      plane[y * width + x] = inside ? hull + shade + seam : y <= top ? sky : water + 12 * Math.sin(x / 19 + y / 7);
    }
  }
  // Fittings, ports, letters: shapes with hard edges, lighter and darker than what is behind them.
  for (let i = 0; i < 34; i += 1) {
    const [cx, cy] = [next() * width, sheer + next() * (line - sheer)];
    const [rx, ry, value] = [6 + next() * 60, 5 + next() * 34, next() < 0.5 ? 20 + 40 * next() : 195 + 45 * next()];
    const box = next() < 0.5;
    for (let y = Math.max(0, Math.floor(cy - ry)); y < Math.min(height, cy + ry); y += 1)
      for (let x = Math.max(0, Math.floor(cx - rx)); x < Math.min(width, cx + rx); x += 1)
        if (box || ((x - cx) / rx) ** 2 + ((y - cy) / ry) ** 2 < 1) plane[y * width + x] = value;
  }
  if (blurSigmaPx > 0)
    for (const across of [true, false]) plane = blurred(plane, width, height, gauss(blurSigmaPx), across) as Float32Array<ArrayBuffer>;
  if (smearPx > 1) {
    const n = 2 * Math.floor(smearPx / 2) + 1;
    plane = blurred(
      plane,
      width,
      height,
      Array.from({ length: n }, () => 1 / n),
      seed % 2 === 0,
    ) as Float32Array<ArrayBuffer>;
  }
  const grain = 1.5 + 3.5 * next();
  const data = new Uint8ClampedArray(width * height * 4);
  const sun = { x: next() * width, y: next() * height, r: Math.sqrt((glare * width * height) / Math.PI) };
  for (let i = 0, p = 0; i < plane.length; i += 1, p += 4) {
    const [x, y] = [i % width, Math.floor(i / width)];
    const lit = glare > 0 && Math.hypot(x - sun.x, y - sun.y) < sun.r ? 400 : 0;
    const v = plane[i]! * exposure + lit + grain * normal();
    data[p] = v * 0.94;
    data[p + 1] = v;
    data[p + 2] = v * 0.97 + 3 + (lit > 0 ? 20 : 0);
    if (lit > 0) data[p] = 255;
    data[p + 3] = 255;
  }
  return { pixels: { width, height, data }, blurSigmaPx, smearPx, exposure, glare };
};

/** How often the check agrees with what is known, over so many pictures, half of them blurred. */
export const judgeBlur = (count: number, seed: number, judge: (pixels: Pixels) => boolean, size?: readonly [number, number]): number => {
  const { next } = chance(seed);
  let right = 0;
  for (let i = 0; i < count; i += 1) {
    const bad = i % 2 === 1;
    const moved = bad && next() < 0.4;
    const photo = madeUpPhoto(seed + i, moved ? { smearPx: 13 + next() * 14 } : { blurSigmaPx: bad ? 3 + next() * 4 : next() * 0.9 }, size);
    right += Number(judge(photo.pixels) === bad);
  }
  return right / count;
};
