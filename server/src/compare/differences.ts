import { Bin, type Cv } from './vision';
import { bytesOf, type Mat, Together } from './picture';

/** What is new in the second photograph, px of it; the strongest first. */
export type Found = { x: number; y: number; width: number; height: number; strength: number };

/** How much brighter or darker than anything near it in the first picture; a flaw's edge and its core. */
const EDGE = 9;
const CORE = 19;
const LEAST_PX = 26;
const LEAST_SIDE_PX = 7;
const MOST_BOXES = 12;
const VEIL_PX2 = 50_000;
const VEILED = 0.2;
const GLINT_PX = 24;
/** Found this near in the other picture as well, it may only have shifted; so much of it must stand out all the same. */
export const NEAR_PX = 8;
const STANDS_OUT = 0.25;
/** Fainter than this, it is not worth anybody's eye. */
const FAINT = 0.56;
const BLOWN = 236;
/** Near things stand elsewhere before her in the second picture, by up to so many px; seen there as well as this, they only moved. */
const MOVED_PX = 44;
const MOVED_ALIKE = 0.74;
const STAYED_ALIKE = 0.7;
const SAME_ALIKE = 0.8;
/** Brightness by which a place must vary for it to be recognised elsewhere. */
const TELLING = 9;
/** How much of the contrast about a place is taken for what is left of a shift. */
const EDGES_EXCUSE = 0.22;

/** What lies so near to where she ends, px, and to so large a part, is of what she stands before. */
const RIM_PX = 4;
const AT_RIM = 0.3;

type Blob = {
  label: number;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  area: number;
  sum: number;
  far: number;
  rim: number;
  peak: number;
};

/** Pieces of one scratch lie no farther apart than this. */
const JOIN_PX = 24;

const near = (a: Blob, b: Blob, gap: number) => a.x0 - gap <= b.x1 && b.x0 - gap <= a.x1 && a.y0 - gap <= b.y1 && b.y0 - gap <= a.y1;

/** Whether two pieces fill their common box well enough to be of one flaw. */
const isOne = (a: Blob, b: Blob): boolean => {
  const size = (x0: number, y0: number, x1: number, y1: number) => (x1 - x0 + 1) * (y1 - y0 + 1);
  const both = size(Math.min(a.x0, b.x0), Math.min(a.y0, b.y0), Math.max(a.x1, b.x1), Math.max(a.y1, b.y1));
  return both <= 7 * (size(a.x0, a.y0, a.x1, a.y1) + size(b.x0, b.y0, b.x1, b.y1)) + JOIN_PX ** 2;
};

/** Pieces of one flaw are one flaw: those that lie close together are joined. */
const joined = (blobs: Blob[]): Blob[] => {
  const all = [...blobs];
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < all.length && !again; i += 1)
      for (let j = i + 1; j < all.length && !again; j += 1)
        if (near(all[i]!, all[j]!, JOIN_PX) && isOne(all[i]!, all[j]!)) {
          const [a, b] = [all[i]!, all[j]!];
          all[i] = {
            label: a.label,
            x0: Math.min(a.x0, b.x0),
            y0: Math.min(a.y0, b.y0),
            x1: Math.max(a.x1, b.x1),
            y1: Math.max(a.y1, b.y1),
            area: a.area + b.area,
            sum: a.sum + b.sum,
            far: a.far + b.far,
            rim: a.rim + b.rim,
            peak: Math.max(a.peak, b.peak),
          };
          all.splice(j, 1);
          again = true;
        }
  }
  return all;
};

/** What stands out of everything that is near it in the other picture; what is only shifted a little does not. */
export const difference = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, slack: number): Mat => {
  const [sa, sb] = [aligned, b].map((mat) => {
    const soft = bin.keep(new cv.Mat());
    cv.GaussianBlur(mat, soft, new cv.Size(0, 0), 1.3);
    return soft;
  }) as [Mat, Mat];
  const around = bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * slack + 1, 2 * slack + 1)));
  const [high, low, more, less] = [0, 0, 0, 0].map(() => bin.keep(new cv.Mat())) as [Mat, Mat, Mat, Mat];
  cv.dilate(sa, high, around);
  cv.erode(sa, low, around);
  cv.subtract(sb, high, more);
  cv.subtract(low, sb, less);
  cv.max(more, less, more);
  // Where the first picture is full of edges, what is left of a shift is larger.
  const wide = bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(9, 9)));
  cv.dilate(sa, high, wide);
  cv.erode(sa, low, wide);
  cv.subtract(high, low, high);
  high.convertTo(high, cv.CV_8U, EDGES_EXCUSE, 0);
  cv.subtract(more, high, more);
  return more;
};

/** How far about a difference its surroundings reach, px. */
const ABOUT_PX = 4;

/**
 * Whether both pictures show the same thing where they differ, only in another light: a rail in the sun before a boat in the
 * shade. Judged over the difference and what is next to it, not over the box, most of which may be something else.
 */
const sameThere = (cv: Cv, labels: Mat, label: number, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob): boolean => {
  const [left, top] = [Math.max(0, x0 - ABOUT_PX), Math.max(0, y0 - ABOUT_PX)];
  const [right, bottom] = [Math.min(one.cols, x1 + ABOUT_PX + 1), Math.min(one.rows, y1 + ABOUT_PX + 1)];
  const [w, h] = [right - left, bottom - top];
  const bin = new Bin();
  try {
    const mask = bin.keep(new cv.Mat(h, w, cv.CV_8U));
    const of = labels.data32S;
    for (let y = 0; y < h; y += 1)
      for (let x = 0; x < w; x += 1) mask.data[y * w + x] = of[(top + y) * one.cols + left + x] === label ? 255 : 0;
    cv.dilate(mask, mask, bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * ABOUT_PX + 1, 2 * ABOUT_PX + 1))));
    const [p, q, m] = [one.data, other.data, mask.data] as [Uint8Array, Uint8Array, Uint8Array];
    const seen = new Together();
    for (let y = 0; y < h; y += 1)
      for (let x = 0, i = (top + y) * one.cols + left; x < w; x += 1, i += 1) if (m[y * w + x]) seen.add(p[i]!, q[i]!);
    return seen.spreads[1] >= TELLING && seen.alike >= SAME_ALIKE;
  } finally {
    bin.empty();
  }
};

/** Whether what one picture shows at a place stands only a little elsewhere in the other: a post or a fender before the boat. */
const movedFrom = (cv: Cv, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob): boolean => {
  const pad = 12;
  const [left, top] = [Math.max(0, x0 - pad), Math.max(0, y0 - pad)];
  const [right, bottom] = [Math.min(one.cols, x1 + pad + 1), Math.min(one.rows, y1 + pad + 1)];
  const [l, t] = [Math.max(0, left - MOVED_PX), Math.max(0, top - MOVED_PX / 4)];
  const [r, d] = [Math.min(one.cols, right + MOVED_PX), Math.min(one.rows, bottom + MOVED_PX / 4)];
  const bin = new Bin();
  try {
    const patch = bin.keep(one.roi(new cv.Rect(left, top, right - left, bottom - top)));
    const [mean, spread] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    cv.meanStdDev(patch, mean, spread);
    if (spread.data64F[0]! < TELLING) return false;
    const field = bin.keep(other.roi(new cv.Rect(l, t, r - l, d - t)));
    const found = bin.keep(new cv.Mat());
    cv.matchTemplate(field, patch, found, cv.TM_CCOEFF_NORMED);
    const none = bin.keep(new cv.Mat());
    const { maxVal, maxLoc } = cv.minMaxLoc(found, none) as unknown as { maxVal: number; maxLoc: { x: number; y: number } };
    if (maxVal < MOVED_ALIKE) return false;
    // What looks like it over there has to be gone from there: a rivet like any other has not moved.
    const there = new cv.Rect(l + maxLoc.x, t + maxLoc.y, right - left, bottom - top);
    cv.matchTemplate(bin.keep(one.roi(there)), bin.keep(other.roi(there)), found, cv.TM_CCOEFF_NORMED);
    return found.data32F[0]! < STAYED_ALIKE;
  } finally {
    bin.empty();
  }
};

/** What is usual over the boat, so that a rough surface or a restless light asks for more than a calm one. */
const usualOf = (heat: Uint8Array, allowed: Uint8Array): number => {
  const counts = new Uint32Array(256);
  let n = 0;
  for (let i = 0; i < heat.length; i += 2)
    if (allowed[i]) {
      counts[heat[i]!]! += 1;
      n += 1;
    }
  let [seen, v] = [0, 0];
  while (v < 255 && (seen += counts[v]!) < 0.97 * n) v += 1;
  return v;
};

type Look = {
  heat: Mat;
  /** The same with more slack. */
  far: Uint8Array;
  allowed: Uint8Array;
  aligned: Mat;
  b: Mat;
  /** The first picture laid over the second, in its own light. */
  lit: Uint8Array;
};

export const boxesOf = (cv: Cv, bin: Bin, { heat, far, allowed, aligned, b, lit }: Look): Found[] => {
  const { cols, rows } = heat;
  const data = bytesOf(heat);
  for (let i = 0; i < data.length; i += 1) if (!allowed[i]) data[i] = 0;
  heat.data.set(data);
  const core = Math.max(CORE, Math.min(34, 10 + 3 * usualOf(data, allowed)));
  const edges = bin.keep(new cv.Mat());
  cv.threshold(heat, edges, Math.max(EDGE, core * 0.45), 255, cv.THRESH_BINARY);
  const [labels, stats, centres] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
  const count = cv.connectedComponentsWithStats(edges, labels, stats, centres, 8);
  const blobs: Blob[] = Array.from({ length: count }, (_, label) => ({
    label,
    x0: cols,
    y0: rows,
    x1: 0,
    y1: 0,
    area: 0,
    sum: 0,
    far: 0,
    rim: 0,
    peak: 0,
  }));
  const of = labels.data32S;
  for (let y = 0, i = 0; y < rows; y += 1)
    for (let x = 0; x < cols; x += 1, i += 1) {
      if (of[i] === 0) continue;
      const blob = blobs[of[i]!]!;
      const v = data[i]!;
      blob.x0 = Math.min(blob.x0, x);
      blob.x1 = Math.max(blob.x1, x);
      blob.y0 = Math.min(blob.y0, y);
      blob.y1 = Math.max(blob.y1, y);
      blob.area += 1;
      blob.sum += v;
      blob.far += far[i]!;
      if (!allowed[i - RIM_PX] || !allowed[i + RIM_PX] || !allowed[i - RIM_PX * cols] || !allowed[i + RIM_PX * cols]) blob.rim += 1;
      blob.peak = Math.max(blob.peak, v);
    }
  const bright = bytesOf(b);
  const standing = blobs
    .slice(1)
    .filter((blob) => blob.area >= 6 && blob.peak >= core && blob.far >= STANDS_OUT * blob.sum && blob.rim <= AT_RIM * blob.area)
    .filter(
      (blob) =>
        !sameThere(cv, labels, blob.label, b, aligned, blob) && !movedFrom(cv, b, aligned, blob) && !movedFrom(cv, aligned, b, blob),
    );
  return (
    joined(standing)
      .filter(
        ({ x0, x1, y0, y1, area, sum }) => Math.max(x1 - x0, y1 - y0) >= LEAST_SIDE_PX && area >= LEAST_PX && sum >= LEAST_PX * core * 0.7,
      )
      // A veil over half the boat is light, not damage.
      .filter(({ x0, x1, y0, y1, area }) => (x1 - x0) * (y1 - y0) < VEIL_PX2 || area > VEILED * (x1 - x0) * (y1 - y0))
      .filter(({ x0, x1, y0, y1 }) => {
        // Small and blown out: the sun in a drop of water, not a flaw.
        if (Math.max(x1 - x0, y1 - y0) > GLINT_PX) return true;
        let blown = 0;
        for (let y = y0; y <= y1; y += 1)
          for (let x = x0; x <= x1; x += 1) if (Math.max(bright[y * cols + x]!, lit[y * cols + x]!) >= BLOWN) blown += 1;
        return blown < 0.25 * (x1 - x0 + 1) * (y1 - y0 + 1);
      })
      .map(({ x0, x1, y0, y1, sum, peak }) => ({
        x: x0,
        y: y0,
        width: x1 - x0 + 1,
        height: y1 - y0 + 1,
        strength: Math.round(Math.min(1, (peak / 90) * 0.5 + Math.min(1, sum / 6000) * 0.5) * 1000) / 1000,
      }))
      .filter(({ strength }) => strength >= FAINT)
      .sort((p, q) => q.strength - p.strength)
      .slice(0, MOST_BOXES)
  );
};
