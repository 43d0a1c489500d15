import type { Bin, Cv } from './vision';

export type Mat = InstanceType<Cv['Mat']>;

/** Brightness of a photograph, row by row, upright, {@link COMPARED_AT_PX} wide. */
export type Grey = { width: number; height: number; data: Uint8Array };

export const COMPARED_AT_PX = 1600;
/** Local alignment and light are worked out at this width. */
export const COARSE_AT_PX = 800;

/** Brightness of colours, three bytes a place (Rec. 601). */
export const greyOf = ({ width, height, data }: { width: number; height: number; data: Uint8Array }): Grey => {
  const grey = new Uint8Array(width * height);
  for (let i = 0, p = 0; i < grey.length; i += 1, p += 3)
    grey[i] = Math.round(0.299 * data[p]! + 0.587 * data[p + 1]! + 0.114 * data[p + 2]!);
  return { width, height, data: grey };
};

export const matOf = (cv: Cv, bin: Bin, { width, height, data }: Grey): Mat => {
  const mat = bin.keep(new cv.Mat(height, width, cv.CV_8UC1));
  mat.data.set(data);
  return mat;
};

export const medianOf = (data: Uint8Array): number => {
  const counts = new Uint32Array(256);
  for (const v of data) counts[v]! += 1;
  let [seen, v] = [0, 0];
  while (v < 255 && (seen += counts[v]!) * 2 < data.length) v += 1;
  return v;
};

/** Size of the coarse picture. */
export const coarseSize = ({ cols, rows }: Mat): [width: number, height: number] => [
  COARSE_AT_PX,
  Math.round((rows * COARSE_AT_PX) / cols),
];

/** A picture at the width at which alignment, light and outline are worked out. */
export const coarseOf = (cv: Cv, bin: Bin, mat: Mat): Mat => {
  const small = bin.keep(new cv.Mat());
  cv.resize(mat, small, new cv.Size(...coarseSize(mat)), 0, 0, cv.INTER_AREA);
  return small;
};

/**
 * A picture's bytes, copied out of the memory of WASM: that moves when it grows, and whatever looked into it sees nothing
 * any more. Views into it are only taken when nothing more is made before they are read.
 */
export const bytesOf = (mat: Mat): Uint8Array => (mat.data as Uint8Array).slice();

/** How two brightnesses vary and vary together over some places. */
export class Together {
  n = 0;
  private a = 0;
  private b = 0;
  private aa = 0;
  private bb = 0;
  private ab = 0;

  add(a: number, b: number): void {
    this.n += 1;
    this.a += a;
    this.b += b;
    this.aa += a * a;
    this.bb += b * b;
    this.ab += a * b;
  }
  /** Standard deviations of the first and of the second. */
  get spreads(): [number, number] {
    const of = (sum: number, squares: number) => Math.sqrt(Math.max(0, squares / this.n - (sum / this.n) ** 2));
    return [of(this.a, this.aa), of(this.b, this.bb)];
  }
  /** Pearson's correlation; none where one of them hardly varies. */
  get alike(): number {
    const [a, b] = this.spreads;
    return (this.ab / this.n - (this.a / this.n) * (this.b / this.n)) / Math.max(0.1, a * b);
  }
}
