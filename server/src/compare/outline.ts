import type { Bin, Cv } from './vision';
import { bytesOf, coarseOf, coarseSize, type Mat, Together } from './picture';
import type { Laid } from './align';
import type { Placed } from './recognise';

/** Tiles by which it is seen whether both are the same boat, px of the coarse picture. */
const TILE = 40;
/** Brightness by which a tile must vary to say anything. */
const TEXTURED = 7;
const TILE_ALIKE = 0.62;

/** Share of the tiles that vary in the first picture and look the same in the second: a sister of the boat varies otherwise. */
export const alikeOf = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, inside: Uint8Array): number => {
  const [cw, ch] = coarseSize(b);
  const [a8, b8] = [aligned, b].map((mat) => {
    const small = coarseOf(cv, bin, mat);
    cv.GaussianBlur(small, small, new cv.Size(0, 0), 1.1);
    return bytesOf(small);
  }) as [Uint8Array, Uint8Array];
  const [across, down] = [Math.floor(cw / TILE), Math.floor(ch / TILE)];
  let [same, said] = [0, 0];
  for (let ty = 0; ty < down; ty += 1)
    for (let tx = 0; tx < across; tx += 1) {
      const seen = new Together();
      for (let y = ty * TILE; y < (ty + 1) * TILE; y += 1)
        for (let x = tx * TILE, i = y * cw + tx * TILE; x < (tx + 1) * TILE; x += 1, i += 1) {
          if (!inside[i]) continue;
          seen.add(a8[i]!, b8[i]!);
        }
      // What is plain in the first and not in the second may be a flaw: it does not speak against the boat.
      if (seen.n < (TILE * TILE) / 2 || seen.spreads[0] < TEXTURED) continue;
      said += 1;
      if (seen.alike >= TILE_ALIKE) same += 1;
    }
  return said === 0 ? 0 : same / said;
};

/** Squares by which it is seen how far the boat reaches, px of the coarse picture. */
const SQUARE = 16;
/** Weaker than {@link TEXTURED}: dirt and specks are enough to know a hull by, and water has other ones every time. */
const SPECKLED = 1;
const SPECKS_ALIKE = 0.3;
/** What strays farther from her surface lies behind or before her, px of the coarse picture. */
const ASTRAY_PX = 1.6;
/** How much of the edge of what was recognised is left out, px of the coarse picture. */
const RIM = 6;

/**
 * The part of the second picture that the boat fills: squares in which both pictures show the same specks in the same place,
 * and what lies between them. Water has other specks each time, sky has none, and a bank moves beside her.
 * @returns for each place of the coarse picture, whether it is hers
 */
export const outline = (cv: Cv, bin: Bin, placed: Placed, { aligned, valid, strayed }: Laid, b: Mat): Uint8Array => {
  const [cw, ch] = coarseSize(b);
  const [a8, b8, ok] = [aligned, b, valid].map((mat) => bytesOf(coarseOf(cv, bin, mat))) as [Uint8Array, Uint8Array, Uint8Array];
  const [across, down] = [Math.ceil(cw / SQUARE), Math.ceil(ch / SQUARE)];
  const known = new Uint8Array(across * down);
  for (let ty = 0; ty < down; ty += 1)
    for (let tx = 0; tx < across; tx += 1) {
      const seen = new Together();
      let away = 0;
      // Looked at half a square beyond each side: a few specks more.
      for (let y = Math.max(0, ty * SQUARE - 8); y < Math.min(ch, (ty + 1) * SQUARE + 8); y += 1)
        for (let x = Math.max(0, tx * SQUARE - 8), i = y * cw + x; x < Math.min(cw, (tx + 1) * SQUARE + 8); x += 1, i += 1)
          if (ok[i]! >= 200) {
            seen.add(a8[i]!, b8[i]!);
            away += strayed[i]!;
          }
      if (seen.n < SQUARE * SQUARE) continue;
      if (Math.min(...seen.spreads) >= SPECKLED && away / seen.n < ASTRAY_PX && seen.alike >= SPECKS_ALIKE) known[ty * across + tx] = 1;
    }
  const scale = cw / b.cols;
  const sure = new Uint8Array(across * down);
  for (let i = 0; i < placed.inliers; i += 1) {
    const [x, y] = [placed.to[2 * i]! * scale, placed.to[2 * i + 1]! * scale];
    sure[Math.floor(y / SQUARE) * across + Math.floor(x / SQUARE)] = 1;
  }
  // A square or two alone are chance; she is where they hang together with what was recognised.
  const ring = [-1, 1, -across, across, -across - 1, -across + 1, across - 1, across + 1];
  const firm = Uint8Array.from(known, (one, i) => (one && ring.filter((d) => known[i + d]).length >= 4 ? 1 : 0));
  const hers = Uint8Array.from(sure);
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < hers.length; i += 1)
      if (!hers[i] && firm[i] && ring.some((d) => hers[i + d])) {
        hers[i] = 1;
        again = true;
      }
  }
  const corners: number[] = [];
  for (let i = 0; i < hers.length; i += 1) {
    if (!hers[i]) continue;
    const [x, y] = [(i % across) * SQUARE, Math.floor(i / across) * SQUARE];
    corners.push(x, y, x + SQUARE, y, x, y + SQUARE, x + SQUARE, y + SQUARE);
  }
  const mask = bin.keep(cv.Mat.zeros(ch, cw, cv.CV_8U));
  const hull = bin.keep(new cv.Mat());
  cv.convexHull(bin.keep(cv.matFromArray(corners.length / 2, 1, cv.CV_32SC2, corners)), hull, false, true);
  const all = bin.keep(new cv.MatVector());
  all.push_back(hull);
  cv.drawContours(mask, all, 0, new cv.Scalar(255), -1);
  // Her very edge stands before something else: what differs there is not hers.
  cv.erode(mask, mask, bin.keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(2 * RIM + 1, 2 * RIM + 1))));
  return bytesOf(mask);
};
