import { recurve, repaint } from './align';
import { Bin, type Cv, vision } from '../vision';

const [W, H] = [40, 30];
let cv: Cv;
const bin = new Bin();
beforeAll(async () => {
  ({ cv } = await vision());
}, 60_000);
afterEach(() => bin.empty());

const mapOf = (at: (x: number, y: number) => number) => {
  const map = bin.keep(new cv.Mat(H, W, cv.CV_32F));
  map.data32F.set(Float32Array.from({ length: W * H }, (_, i) => at(i % W, Math.floor(i / W))));
  return map;
};

it('lays the first photograph over the second in its own colours and the second’s light', () => {
  // Red on the left, blue on the right; it lies four px to the left in the second, where the light is half of what it was.
  const rgb = Uint8Array.from({ length: W * H * 3 }, (_, i) => {
    const [x, channel] = [Math.floor(i / 3) % W, i % 3];
    return x < 20 ? [200, 40, 40][channel]! : [40, 40, 200][channel]!;
  });
  const maps = [mapOf((x) => x + 4), mapOf((_, y) => y)] as [InstanceType<Cv['Mat']>, InstanceType<Cv['Mat']>];
  const lit = new Uint8Array(W * H).fill(90);
  const aligned = new Uint8Array(W * H).fill(40);
  const painted = repaint(cv, bin, { rgb, width: W, height: H }, maps, lit, aligned);
  const at = (x: number) => [...painted.subarray((10 * W + x) * 3, (10 * W + x) * 3 + 3)];
  expect(at(5)).toEqual([95, 15, 15]);
  expect(at(30)).toEqual([15, 15, 95]);
  expect([at(15)[0]! > 50, at(17)[0]! < 50]).toEqual([true, true]);
});

it('learns what each brightness looks like in the second, and lets nothing that is not hers say so', () => {
  const size = 300;
  const [aligned, b] = [0, 0].map(() => bin.keep(new cv.Mat(size, size, cv.CV_8UC1))) as [InstanceType<Cv['Mat']>, InstanceType<Cv['Mat']>];
  const shades = Uint8Array.from({ length: size * size }, (_, i) => 20 + ((i * 7) % 200));
  aligned.data.set(shades);
  const curve = (v: number) => Math.round(255 * (v / 255) ** 1.3);
  // Below, where she is not, it is another curve.
  b.data.set(shades.map((v, i) => (i < (size * size) / 2 ? curve(v) : 255 - v)));
  recurve(aligned, b, (i) => i < (size * size) / 2);
  const after = aligned.data as Uint8Array;
  const off = shades.map((v, i) => Math.abs(after[i]! - curve(v)));
  expect(Math.max(...off.subarray(0, 5000))).toBeLessThanOrEqual(3);
});
