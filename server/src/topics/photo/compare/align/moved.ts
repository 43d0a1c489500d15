import { Bin, type Cv } from '../vision';
import type { Blob, Look } from '../flaws/blobs';
import type { Mat } from '../picture';

/** Near things stand elsewhere before her in the second picture, by up to so many px. */
const MOVED_PX = 44;
const PIECE_PX = 60;
/** Less than this is not alike. */
const LEAST_ALIKE = 0.3;
const STAYED_ALIKE = 0.7;
/** Brightness by which a place must vary for it to be recognised elsewhere. */
const TELLING = 9;

/** How alike what one picture shows at a place is to somewhere near in the other that it is gone from: a post or a fender before the boat. */
const movedFrom = (cv: Cv, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob): number => {
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
    if (spread.data64F[0]! < TELLING) return 0;
    const field = bin.keep(other.roi(new cv.Rect(l, t, r - l, d - t)));
    const found = bin.keep(new cv.Mat());
    cv.matchTemplate(field, patch, found, cv.TM_CCOEFF_NORMED);
    const none = bin.keep(new cv.Mat());
    const { maxVal, maxLoc } = cv.minMaxLoc(found, none) as unknown as { maxVal: number; maxLoc: { x: number; y: number } };
    if (maxVal < LEAST_ALIKE) return 0;
    // What looks like it over there has to be gone from there: a rivet like any other has not moved.
    const there = new cv.Rect(l + maxLoc.x, t + maxLoc.y, right - left, bottom - top);
    cv.matchTemplate(bin.keep(one.roi(there)), bin.keep(other.roi(there)), found, cv.TM_CCOEFF_NORMED);
    return found.data32F[0]! < STAYED_ALIKE ? maxVal : 0;
  } finally {
    bin.empty();
  }
};

/** A long thing is looked for piece by piece: what it stands before is another thing elsewhere. */
const pieces = (blob: Blob): Blob[] => {
  const [wide, high] = [blob.x1 - blob.x0 + 1, blob.y1 - blob.y0 + 1];
  const count = Math.max(1, Math.round(Math.max(wide, high) / PIECE_PX));
  return Array.from({ length: count }, (_, i) =>
    high >= wide
      ? { ...blob, y0: blob.y0 + Math.floor((i * high) / count), y1: blob.y0 + Math.floor(((i + 1) * high) / count) - 1 }
      : { ...blob, x0: blob.x0 + Math.floor((i * wide) / count), x1: blob.x0 + Math.floor(((i + 1) * wide) / count) - 1 },
  );
};

/** How alike most of a difference is to what stands elsewhere in the other picture, 0 to 1. */
export const movedAlike = (cv: Cv, { b, aligned }: Look, blob: Blob): number => {
  const all = pieces(blob).map((one) => Math.max(movedFrom(cv, b, aligned, one), movedFrom(cv, aligned, b, one)));
  return all.sort((p, q) => q - p)[Math.floor(all.length / 2)]!;
};
