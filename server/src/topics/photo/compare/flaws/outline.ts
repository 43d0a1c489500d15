import type { Bin, Cv } from '../vision';
import { bytesOf, coarseOf, coarseSize, type Mat, Together } from '../picture';
import type { Alignment } from '../align/align';
import type { Placed } from '../align/recognise';

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
const SPECKLED = 0.6;
const SPECKS_ALIKE = 0.3;
/** What strays farther from her surface lies behind or before her, px of the coarse picture. */
const ASTRAY_PX = 1.6;
/**
 * Where there is little to follow, what strays may only be lost: it is hers if her surface shows the same specks there, and
 * by so much better than where it strayed to. Trees behind her stray to where they are seen best.
 */
const SURFACE_ALIKE = 0.4;
const BETTER = 0.15;
/** How much of the edge of what was recognised is left out, px of the coarse picture. */
const RIM = 6;

/** Fewer squares than this are chance, where plain paint lies between them and the rest of her; farther off they are not hers. */
const LEAST_ISLAND = 6;
const ISLAND_GAP = 5;

/** Squares that are known and hang together, but not with what is hers. */
const islandsOf = (firm: Uint8Array, hers: Uint8Array, ring: readonly number[]): number[][] => {
  const seen = Uint8Array.from(hers);
  const islands: number[][] = [];
  for (let first = 0; first < firm.length; first += 1) {
    if (!firm[first] || seen[first]) continue;
    const island = [first];
    seen[first] = 1;
    for (const at of island)
      for (const d of ring)
        if (firm[at + d] && !seen[at + d]) {
          seen[at + d] = 1;
          island.push(at + d);
        }
    if (island.length >= LEAST_ISLAND) islands.push(island);
  }
  return islands;
};

/** What is smaller than a speck is noise; what is broader, taken over two boxes one after the other, is shade; px of the coarse picture. */
const NOISE_PX = 0.8;
const BROADER_PX = 9;
/** A letter or an edge is a speck like any other, however much it stands out. */
const MOST_SPECK = 12;

/** How much each place of the coarse picture stands out of its surroundings. */
const specksOf = (cv: Cv, bin: Bin, mat: Mat): Float32Array => {
  const [fine, broad] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
  coarseOf(cv, bin, mat).convertTo(fine, cv.CV_32F);
  cv.GaussianBlur(fine, fine, new cv.Size(0, 0), NOISE_PX);
  cv.blur(fine, broad, new cv.Size(BROADER_PX, BROADER_PX));
  cv.blur(broad, broad, new cv.Size(BROADER_PX, BROADER_PX));
  cv.subtract(fine, broad, fine);
  const specks = fine.data32F.slice();
  for (let i = 0; i < specks.length; i += 1) specks[i] = Math.max(-MOST_SPECK, Math.min(MOST_SPECK, specks[i]!));
  return specks;
};

/**
 * The part of the second picture that the boat fills: squares in which both pictures show the same specks in the same place,
 * and what lies between them. Water has other specks each time, sky has none, and a bank moves beside her.
 * @returns for each place of the coarse picture, whether it is hers
 */
export const outline = (cv: Cv, bin: Bin, placed: Placed, { aligned, surface, free, valid, strayed }: Alignment, b: Mat): Uint8Array => {
  const [cw, ch] = coarseSize(b);
  const [specksA, specksS, specksF, specksB] = [aligned, surface, free, b].map((mat) => specksOf(cv, bin, mat)) as Float32Array[];
  const ok = bytesOf(coarseOf(cv, bin, valid));
  const [across, down] = [Math.ceil(cw / SQUARE), Math.ceil(ch / SQUARE)];
  const known = new Uint8Array(across * down);
  for (let ty = 0; ty < down; ty += 1)
    for (let tx = 0; tx < across; tx += 1) {
      const [seen, bySurface, byItself] = [new Together(), new Together(), new Together()];
      let away = 0;
      // Looked at half a square beyond each side: a few specks more. A speck is higher than one row.
      for (let y = Math.max(0, ty * SQUARE - 8); y < Math.min(ch, (ty + 1) * SQUARE + 8); y += 2)
        for (let x = Math.max(0, tx * SQUARE - 8), i = y * cw + x; x < Math.min(cw, (tx + 1) * SQUARE + 8); x += 1, i += 1)
          if (ok[i]! >= 200) {
            seen.add(specksA![i]!, specksB![i]!);
            bySurface.add(specksS![i]!, specksB![i]!);
            byItself.add(specksF![i]!, specksB![i]!);
            away += strayed[i]!;
          }
      if (seen.n < (SQUARE * SQUARE) / 2) continue;
      const speckled = Math.min(...seen.spreads, ...bySurface.spreads) >= SPECKLED;
      if (
        speckled &&
        ((away / seen.n < ASTRAY_PX && seen.alike >= SPECKS_ALIKE) ||
          (bySurface.alike >= SURFACE_ALIKE && bySurface.alike >= byItself.alike + BETTER))
      )
        known[ty * across + tx] = 1;
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
  for (const island of islandsOf(firm, hers, ring)) {
    const rows = (squares: readonly number[]) => squares.map((i) => Math.floor(i / across));
    const mine = rows([...hers.keys()].filter((i) => hers[i]));
    const [middle, low] = [mine.reduce((sum, y) => sum + y, 0) / mine.length, Math.max(...mine)];
    const ys = rows(island);
    // Above her there are trees that look much the same.
    if (Math.min(...ys) > middle && Math.min(...ys) <= low + ISLAND_GAP) for (const i of island) hers[i] = 1;
  }
  // A flaw at her corner makes its own square strange: what she holds on two sides is hers.
  hers.set(
    Uint8Array.from(hers, (one, i) =>
      one || (ring.filter((d) => hers[i + d]).length >= 4 && i % across > 0 && i % across < across - 1) ? 1 : 0,
    ),
  );
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

/** She may reach so much farther to the sides and down than is known of her, px of the coarse picture. */
const FARTHER_PX = 70;

/**
 * What lies beside and below what is known of her, as far as she may reach: plain paint with no speck to know it by, or the
 * dark under her side. It may be water or what she stands before as well. Above her there is too much that is not hers.
 * @param mask of the coarse picture, 0 where it is not hers
 */
export const beyondHer = (mask: Uint8Array, cw: number): Uint8Array => {
  const ch = mask.length / cw;
  const beyond = new Uint8Array(mask.length);
  for (let y = 0; y < ch; y += 1) {
    const row = mask.subarray(y * cw, (y + 1) * cw);
    const [first, last] = [row.indexOf(255), row.lastIndexOf(255)];
    if (first < 0) continue;
    beyond.fill(1, y * cw + Math.max(0, first - FARTHER_PX), y * cw + Math.min(cw, last + 1 + FARTHER_PX));
  }
  for (let x = 0; x < cw; x += 1) {
    let y = ch - 1;
    while (y >= 0 && !beyond[y * cw + x]) y -= 1;
    if (y < 0) continue;
    for (let row = y + 1; row <= Math.min(ch - 1, y + FARTHER_PX); row += 1) beyond[row * cw + x] = 1;
  }
  for (let i = 0; i < mask.length; i += 1) if (mask[i]) beyond[i] = 0;
  return beyond;
};
