import type { Bin, Cv } from '../vision';
import { bytesOf, coarseOf, coarseSize, type Mat } from '../picture';
import { smoothFlow } from './smoothFlow';

/** Illumination is what stays the same over so many px of the coarse picture; a flaw is smaller. */
const LIGHT_PX = 45;

/** A broad blur of something smooth is worked out in a picture so many times smaller. */
const BROAD = 4;

const broadly = (cv: Cv, bin: Bin, mat: Mat, sigma: number): Mat => {
  const small = bin.keep(new cv.Mat());
  cv.resize(mat, small, new cv.Size(Math.ceil(mat.cols / BROAD), Math.ceil(mat.rows / BROAD)), 0, 0, cv.INTER_AREA);
  cv.GaussianBlur(small, small, new cv.Size(0, 0), sigma / BROAD);
  const broad = bin.keep(new cv.Mat());
  cv.resize(small, broad, new cv.Size(mat.cols, mat.rows), 0, 0, cv.INTER_LINEAR);
  return broad;
};

/** Varies about 128 by what is local: light and shade go away, lines and letters stay. */
const locally = (cv: Cv, bin: Bin, grey: Mat): Mat => {
  const float = bin.keep(new cv.Mat());
  grey.convertTo(float, cv.CV_32F);
  cv.subtract(float, broadly(cv, bin, float, 9), float);
  const squared = bin.keep(new cv.Mat());
  cv.multiply(float, float, squared);
  const spread = broadly(cv, bin, squared, 14);
  cv.sqrt(spread, spread);
  const floor = bin.keep(new cv.Mat(grey.rows, grey.cols, cv.CV_32F, new cv.Scalar(6)));
  cv.add(spread, floor, spread);
  cv.divide(float, spread, float);
  const out = bin.keep(new cv.Mat());
  float.convertTo(out, cv.CV_8U, 42, 128);
  return out;
};

/** Flow is smooth: it is followed in a smaller picture than the rest is worked out in. */
const FLOW_AT_PX = 560;

/** So far from where a smooth surface went a place may have gone all the same, px of the coarse picture. */
const STRAY_PX = 2.5;
/** Brightness of the local picture by which a place has something to say. */
const SAYS = 24;

/**
 * Where a place strays from the smooth surface that most of the picture is, the surface is taken instead.
 * @returns how far each strayed, px, and the surface
 */
const straighten = (flow: Mat, local: Mat): { strayed: Float32Array; smooth: Float32Array } => {
  const strayed = new Float32Array(flow.rows * flow.cols);
  const [moved, seen] = [flow.data32F, local.data as Uint8Array];
  const says = new Float32Array(seen.length);
  for (let i = 0; i < says.length; i += 1) says[i] = Math.min(1, Math.abs(seen[i]! - 128) / SAYS);
  const smooth = smoothFlow(moved, says, flow.cols, flow.rows);
  for (let i = 0; i < moved.length; i += 2) {
    const du = moved[i]! - smooth[i]!;
    const dv = moved[i + 1]! - smooth[i + 1]!;
    const far = Math.sqrt(du * du + dv * dv);
    strayed[i / 2] = far;
    if (far <= STRAY_PX) continue;
    const keep = Math.max(0, 2 - far / STRAY_PX);
    moved[i] = smooth[i]! + du * keep;
    moved[i + 1] = smooth[i + 1]! + dv * keep;
  }
  return { strayed, smooth };
};

/** The same map between pictures that are smaller by these factors; a place's middle stays its middle. */
const coarsely = (h: readonly number[], from: number, to: number): number[] => {
  const times = (p: readonly number[], q: readonly number[]) =>
    Array.from({ length: 9 }, (_, i) => [0, 1, 2].reduce((sum, k) => sum + p[3 * Math.floor(i / 3) + k]! * q[3 * k + (i % 3)]!, 0));
  const offset = (by: number) => by / 2 - 0.5;
  return times(
    [1 / to, 0, -offset(to) / to, 0, 1 / to, -offset(to) / to, 0, 0, 1],
    times(h, [from, 0, offset(from), 0, from, offset(from), 0, 0, 1]),
  );
};

export type Alignment = {
  aligned: Mat;
  /** The same as the surface alone has it, as large as the coarse picture. */
  surface: Mat;
  /** And as each place by itself has it. */
  free: Mat;
  /** Where the first photograph shows anything. */
  valid: Mat;
  /** How far each place of the coarse picture strayed from the surface that most of it is, px of it. */
  strayed: Float32Array;
  /** Where in the first picture each place of the second lies, right and down, px of it. */
  maps: [Mat, Mat];
};

/** Lays the first photograph over the second, first as a plane, then place by place: hulls curve, and near things shift. */
export const align = (cv: Cv, bin: Bin, a: Mat, b: Mat, homography: readonly number[]): Alignment => {
  const size = new cv.Size(b.cols, b.rows);
  const h = bin.keep(cv.matFromArray(3, 3, cv.CV_64F, [...homography]));
  const [cw, ch] = coarseSize(b);
  const [plane, coarseB] = [a, b].map((mat) => coarseOf(cv, bin, mat)) as [Mat, Mat];
  const coarseH = bin.keep(cv.matFromArray(3, 3, cv.CV_64F, coarsely(homography, a.cols / cw, b.cols / cw)));
  cv.warpPerspective(plane, plane, coarseH, new cv.Size(cw, ch), cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
  const [sa, sb] = [plane, coarseB].map((mat) => locally(cv, bin, mat)) as [Mat, Mat];
  const flow = bin.keep(new cv.Mat());
  const [la, lb] = [sa, sb].map((mat) => {
    const small = bin.keep(new cv.Mat());
    cv.resize(mat, small, new cv.Size(FLOW_AT_PX, Math.round((mat.rows * FLOW_AT_PX) / mat.cols)), 0, 0, cv.INTER_AREA);
    return small;
  }) as [Mat, Mat];
  // From the second to the first: for each of its places, where the same thing lies in the first.
  cv.calcOpticalFlowFarneback(lb, la, flow, 0.5, 4, 21, 2, 5, 1.1, 0);
  cv.GaussianBlur(flow, flow, new cv.Size(0, 0), 3.5);
  cv.resize(flow, flow, new cv.Size(sb.cols, sb.rows), 0, 0, cv.INTER_LINEAR);
  flow.convertTo(flow, -1, sb.cols / FLOW_AT_PX, 0);
  const own = flow.data32F.slice();
  const { strayed, smooth } = straighten(flow, sb);
  const scale = b.cols / cw;
  const inverse = bin.keep(new cv.Mat());
  cv.invert(h, inverse, cv.DECOMP_LU);
  const [h0 = 0, h1 = 0, h2 = 0, h3 = 0, h4 = 0, h5 = 0, h6 = 0, h7 = 0, h8 = 0] = inverse.data64F;
  /** Where in the first picture each place of the coarse one lies, px of the first as it is. */
  const mapOf = (shift: Float32Array): [Mat, Mat] => {
    const maps = [0, 1].map(() => bin.keep(new cv.Mat(flow.rows, flow.cols, cv.CV_32F))) as [Mat, Mat];
    const [dx, dy] = maps.map(({ data32F }) => data32F) as [Float32Array, Float32Array];
    for (let y = 0, i = 0; y < flow.rows; y += 1)
      for (let x = 0; x < flow.cols; x += 1, i += 1) {
        const px = (x + 0.5 + shift[2 * i]!) * scale - 0.5;
        const py = (y + 0.5 + shift[2 * i + 1]!) * scale - 0.5;
        const w = h6 * px + h7 * py + h8;
        dx[i] = (h0 * px + h1 * py + h2) / w;
        dy[i] = (h3 * px + h4 * py + h5) / w;
      }
    return maps;
  };
  const [surface, free] = [smooth, own].map((shift) => {
    const coarse = bin.keep(new cv.Mat());
    cv.remap(a, coarse, ...mapOf(shift), cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
    return coarse;
  }) as [Mat, Mat];
  // The maps are smooth: they are worked out for the coarse picture's places and drawn out between them.
  const [mx, my] = mapOf(flow.data32F.slice());
  for (const map of [mx, my]) cv.resize(map, map, size, 0, 0, cv.INTER_LINEAR);
  const valid = bin.keep(new cv.Mat(b.rows, b.cols, cv.CV_8U));
  {
    // Nothing is made from here to the loop's end, so that these stay where they are.
    const [dx, dy, ok] = [mx.data32F, my.data32F, valid.data];
    const [right, bottom] = [a.cols - 3, a.rows - 3];
    for (let i = 0; i < ok.length; i += 1) {
      const u = dx[i]!;
      const v = dy[i]!;
      ok[i] = u >= 2 && v >= 2 && u < right && v < bottom ? 255 : 0;
    }
  }
  const aligned = bin.keep(new cv.Mat());
  cv.remap(a, aligned, mx, my, cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
  return { aligned, surface, free, valid, strayed, maps: [mx, my] };
};

/** Logarithm of brightness, as far as eight bits carry it; a shadow or another exposure only adds to it. */
const LOG = Float32Array.from({ length: 256 }, (_, v) => Math.log(v + 10));
const LOG_STEP = 0.0125;

/** The first picture in the light of the second: their ratio over areas larger than a flaw, edges of shadows kept. */
export const relight = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, boat: Uint8Array): void => {
  const [cw, ch] = coarseSize(b);
  const [sa, sb] = [aligned, b].map((mat) => coarseOf(cv, bin, mat)) as [Mat, Mat];
  const [ratio, sum, weight] = [cv.CV_8U, cv.CV_32F, cv.CV_32F].map((type) => bin.keep(new cv.Mat(ch, cw, type))) as [Mat, Mat, Mat];
  {
    const [to, da, db, all, hers] = [ratio.data, sa.data, sb.data, sum.data32F, weight.data32F];
    for (let i = 0; i < to.length; i += 1) {
      to[i] = Math.max(0, Math.min(255, Math.round((LOG[db[i]!]! - LOG[da[i]!]!) / LOG_STEP) + 128));
      hers[i] = boat[i] ? 1 : 1e-4;
      all[i] = to[i]! * hers[i]!;
    }
  }
  // Beyond the boat there is another light; what is next to her goes on there instead.
  cv.blur(sum, sum, new cv.Size(41, 41));
  cv.blur(weight, weight, new cv.Size(41, 41));
  {
    const [to, all, hers] = [ratio.data, sum.data32F, weight.data32F];
    for (let i = 0; i < to.length; i += 1) if (!boat[i]) to[i] = Math.round(all[i]! / hers[i]!);
  }
  cv.medianBlur(ratio, ratio, LIGHT_PX);
  const large = bin.keep(new cv.Mat());
  const float = bin.keep(new cv.Mat());
  ratio.convertTo(float, cv.CV_32F);
  cv.GaussianBlur(float, float, new cv.Size(0, 0), 1.2);
  const gain = float.data32F;
  for (let i = 0; i < gain.length; i += 1) gain[i] = Math.exp((gain[i]! - 128) * LOG_STEP);
  cv.resize(float, large, new cv.Size(b.cols, b.rows), 0, 0, cv.INTER_LINEAR);
  const [light, data] = [large.data32F, aligned.data];
  for (let i = 0; i < data.length; i += 1) data[i] = Math.max(0, Math.min(255, (data[i]! + 10) * light[i]! - 10));
};

/**
 * The first photograph in its colours, laid over the second in the light of the second.
 * @param rgb the first, three bytes a place @param lit its brightness laid over the second in its own light
 * @param aligned the same in the light of the second @returns three bytes a place
 */
export const repaint = (
  cv: Cv,
  bin: Bin,
  { rgb, width, height }: { rgb: Uint8Array; width: number; height: number },
  [mx, my]: [Mat, Mat],
  lit: Uint8Array,
  aligned: Uint8Array,
): Uint8Array => {
  const [from, laid] = [bin.keep(new cv.Mat(height, width, cv.CV_8UC3)), bin.keep(new cv.Mat())];
  from.data.set(rgb);
  cv.remap(from, laid, mx, my, cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
  const painted = bytesOf(laid);
  // The same bytes, as numbers that stop at either end by themselves.
  const clamped = new Uint8ClampedArray(painted.buffer, painted.byteOffset, painted.length);
  for (let i = 0, p = 0; i < lit.length; i += 1, p += 3) {
    if (aligned[i] === lit[i]) continue;
    const gain = (aligned[i]! + 10) / (lit[i]! + 10);
    const less = 10 * gain - 10;
    clamped[p] = clamped[p]! * gain + less;
    clamped[p + 1] = clamped[p + 1]! * gain + less;
    clamped[p + 2] = clamped[p + 2]! * gain + less;
  }
  return painted;
};

/** Levels by which the curve of brightness is learnt. */
const LEVELS = 64;

/**
 * What bright and dark things of the first picture look like in the second: another exposure bends the curve, so that white
 * letters and black windows differ from what lies round them by more than the light does. Each level becomes the middle
 * brightness that the second shows where the first shows it.
 */
export const recurve = (aligned: Mat, b: Mat, allowed: (i: number) => boolean): void => {
  const [da, db] = [aligned.data as Uint8Array, b.data as Uint8Array];
  const counts = new Uint32Array(LEVELS * 256);
  const totals = new Uint32Array(LEVELS);
  for (let i = 0; i < da.length; i += 3) {
    if (!allowed(i)) continue;
    const level = da[i]! >> 2;
    counts[level * 256 + db[i]!]! += 1;
    totals[level]! += 1;
  }
  const least = Math.max(60, da.length / 40_000);
  const known: [number, number][] = [];
  for (let level = 0; level < LEVELS; level += 1) {
    if (totals[level]! < least) continue;
    let [seen, v] = [0, 0];
    while (v < 255 && (seen += counts[level * 256 + v]!) * 2 < totals[level]!) v += 1;
    const last = known.at(-1);
    known.push([level * 4 + 1.5, Math.max(v, last ? last[1] : 0)]);
  }
  if (known.length < 2) return;
  const curve = Uint8Array.from({ length: 256 }, (_, v) => {
    const at = known.findIndex(([x]) => x >= v);
    // Beyond what was seen it goes on as it ended.
    if (at === 0) return Math.max(0, Math.min(255, v + known[0]![1] - known[0]![0]));
    if (at < 0) return Math.max(0, Math.min(255, v + known.at(-1)![1] - known.at(-1)![0]));
    const [[x0, y0], [x1, y1]] = [known[at - 1]!, known[at]!];
    return Math.round(y0 + ((y1 - y0) * (v - x0)) / (x1 - x0));
  });
  for (let i = 0; i < da.length; i += 1) da[i] = curve[da[i]!]!;
};
