/** What a photograph is like before it is accepted: whether edges are sharp, whether there is light, whether it is blown out. */

/** Colours row by row, four bytes a pixel. */
export type Pixels = { width: number; height: number; data: Uint8ClampedArray };

export const PHOTO_DOUBTS = ['blurred', 'dark', 'glare'] as const;
export type PhotoDoubt = (typeof PHOTO_DOUBTS)[number];

export type Quality = {
  /** How wide the edges are, px at the width it was judged at: a Gaussian blur of σ makes a step 2.5 σ wide. Nothing where there is no edge to judge by. */
  edgePx: number | undefined;
  /** Brightness of the middle pixel, 0 to 255. */
  middle: number;
  /** Share of pixels without any drawing left in them. */
  blown: number;
  doubts: PhotoDoubt[];
};

/** Pictures are judged at this width: finer than a scratch is wide, coarse enough for a phone. */
export const JUDGED_AT_PX = 1024;

/** Wider edges than this show a blur of σ ≈ 2 px: a scratch of a millimetre two metres away is gone. */
const WIDE_EDGE_PX = 5.4;
/** Edges of one direction only, by a hand that moved. */
const WIDE_ONE_WAY_PX = 7.5;
const DARK_BELOW = 42;
const BLOWN_FROM = 250;
const BLOWN_SHARE = 0.08;
/** One edge is looked for in each square of so many pixels, so that a single sharp rail does not speak for the picture. */
const CELL = 24;
const REACH = 16;
/** Lower steps than this are shading and noise. */
const STEP = 26;
const ENOUGH = 10;

/** Brightness, row by row. */
export const greyOf = ({ width, height, data }: Pixels): Float32Array => {
  const grey = new Float32Array(width * height);
  // Rec. 601 luma.
  for (let i = 0, p = 0; i < grey.length; i += 1, p += 4) grey[i] = 0.299 * data[p]! + 0.587 * data[p + 1]! + 0.114 * data[p + 2]!;
  return grey;
};

/** Binomial 1-2-1 both ways: takes the grain of the sensor away, adds 0.7 px to every edge. */
const smoothed = (grey: Float32Array, width: number, height: number): Float32Array => {
  const across = new Float32Array(grey.length);
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    across[row] = grey[row]!;
    across[row + width - 1] = grey[row + width - 1]!;
    for (let x = 1; x < width - 1; x += 1) across[row + x] = (grey[row + x - 1]! + 2 * grey[row + x]! + grey[row + x + 1]!) / 4;
  }
  const out = Float32Array.from(across);
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 0, i = y * width; x < width; x += 1, i += 1) out[i] = (across[i - width]! + 2 * across[i]! + across[i + width]!) / 4;
  return out;
};

type Edge = { slope: number; widthPx: number; across: boolean };

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** How far a step goes on rising or falling from a pixel along its steepest way, and how high it is. */
const edgeAt = (grey: Float32Array, width: number, height: number, x: number, y: number, gx: number, gy: number): Edge | undefined => {
  const slope = Math.hypot(gx, gy);
  const [dx, dy] = [gx / slope, gy / slope];
  const value = (at: number): number | undefined => {
    const [px, py] = [x + at * dx, y + at * dy];
    const [ix, iy] = [Math.floor(px), Math.floor(py)];
    if (ix < 0 || iy < 0 || ix >= width - 1 || iy >= height - 1) return undefined;
    const [fx, fy] = [px - ix, py - iy];
    const i = iy * width + ix;
    return (grey[i]! * (1 - fx) + grey[i + 1]! * fx) * (1 - fy) + (grey[i + width]! * (1 - fx) + grey[i + width + 1]! * fx) * fy;
  };
  const middle = value(0);
  if (middle === undefined) return undefined;
  const end = (way: 1 | -1): number => {
    let best = middle;
    let still = 0;
    for (let at = 1; at <= REACH; at += 1) {
      const next = value(way * at);
      if (next === undefined) break;
      if ((next - best) * way > 0.4) {
        best = next;
        still = 0;
      } else if ((still += 1) > 2) break;
    }
    return best;
  };
  const step = end(1) - end(-1);
  return step < STEP ? undefined : { slope, widthPx: step / slope, across: Math.abs(gx) > Math.abs(gy) };
};

/** The steepest edge of each square of the picture that has one. */
const edgesOf = (grey: Float32Array, width: number, height: number): Edge[] => {
  const edges: Edge[] = [];
  for (let top = 2; top < height - 2; top += CELL) {
    for (let left = 2; left < width - 2; left += CELL) {
      let [best, bx, by, bgx, bgy] = [0, 0, 0, 0, 0];
      for (let y = top; y < Math.min(top + CELL, height - 2); y += 1) {
        for (let x = left, i = y * width + left; x < Math.min(left + CELL, width - 2); x += 1, i += 1) {
          const gx = (grey[i + 1]! - grey[i - 1]!) / 2;
          const gy = (grey[i + width]! - grey[i - width]!) / 2;
          const g = gx * gx + gy * gy;
          if (g > best) [best, bx, by, bgx, bgy] = [g, x, y, gx, gy];
        }
      }
      const edge = best > 1 ? edgeAt(grey, width, height, bx, by, bgx, bgy) : undefined;
      if (edge) edges.push(edge);
    }
  }
  return edges;
};

/** @param pixels of the photograph, scaled to {@link JUDGED_AT_PX} across where it is wider */
export const qualityOf = (pixels: Pixels): Quality => {
  const { width, height } = pixels;
  const grey = greyOf(pixels);
  const counts = new Uint32Array(256);
  let blown = 0;
  for (let i = 0, p = 0; i < grey.length; i += 1, p += 4) {
    counts[Math.min(255, Math.round(grey[i]!))]! += 1;
    if (Math.min(pixels.data[p]!, pixels.data[p + 1]!, pixels.data[p + 2]!) >= BLOWN_FROM) blown += 1;
  }
  let middle = 0;
  for (let seen = 0; middle < 255; middle += 1) {
    seen += counts[middle]!;
    if (seen * 2 >= grey.length) break;
  }
  const edges = edgesOf(smoothed(grey, width, height), width, height).sort((a, b) => a.widthPx - b.widthPx);
  // What is nearest and sharpest is what was meant: the better half of the edges speaks.
  const better = edges.slice(0, Math.ceil(edges.length / 2));
  const edgePx = better.length >= ENOUGH ? median(better.map((edge) => edge.widthPx)) : undefined;
  const oneWay = [true, false].map((across) => {
    const these = edges.filter((edge) => edge.across === across);
    return these.length >= ENOUGH ? median(these.slice(0, Math.ceil(these.length / 2)).map((edge) => edge.widthPx)) : 0;
  });
  const blurred = edgePx !== undefined && (edgePx > WIDE_EDGE_PX || Math.max(...oneWay) > WIDE_ONE_WAY_PX);
  return {
    edgePx,
    middle,
    blown: blown / grey.length,
    doubts: [
      ...(middle < DARK_BELOW ? (['dark'] as const) : blurred ? (['blurred'] as const) : []),
      ...(blown / grey.length > BLOWN_SHARE ? (['glare'] as const) : []),
    ],
  };
};
