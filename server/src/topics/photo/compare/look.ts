import { align, recurve, relight, repaint } from './align/align';
import { BELOW, ELSEWHERE, HERS, type Look, UNSEEN } from './flaws/blobs';
import { differences } from './flaws/differences';
import { alikeOf, beyondHer, outline } from './flaws/outline';
import { bytesOf, COARSE_AT_PX, coarseOf, type Grey, matOf, medianOf } from './picture';
import { ENOUGH_INLIERS, featuresOf, flipped, place, type Reason, wrongWay } from './align/recognise';
import type { Bin, Cv } from './vision';

/** Two photographs as they can be compared, or why they cannot; `inliers` places of the first were found in the second. */
export type Seen = { inliers: number } & ({ refused: Reason } | { refused: undefined; look: Look; paint: (rgb: Uint8Array) => Uint8Array });

/** The middle brightness below which a photograph shows too little. */
const DARK = 24;
/**
 * Share of the squares that must look the same where few places were found again: of 100 true pairs the least was 0.902, of 36
 * sisters the most 0.871. Of 22 strangers at most 32 places were found again, of 18 true pairs 157 and more: the more are, the
 * less a post before her or a shadow on her speaks against her.
 */
const [FEW, BOAT_ALIKE] = [60, 0.89];
const [MANY, ALIKE_OF_MANY] = [140, 0.65];

const alikeNeeded = (inliers: number): number =>
  BOAT_ALIKE + (ALIKE_OF_MANY - BOAT_ALIKE) * Math.max(0, Math.min(1, (inliers - FEW) / (MANY - FEW)));

/** Which place of the second picture is hers, by the coarse outline and by where the first picture reaches. */
const zonesOf = (boat: Uint8Array, reached: Uint8Array, { width, height }: Grey): Uint8Array => {
  const scale = COARSE_AT_PX / width;
  const beyond = beyondHer(boat, COARSE_AT_PX);
  const zones = new Uint8Array(reached.length);
  const columns = Int32Array.from({ length: width }, (_, x) => Math.min(COARSE_AT_PX - 1, Math.floor(x * scale)));
  for (let y = 0, i = 0; y < height; y += 1) {
    const row = Math.floor(y * scale) * COARSE_AT_PX;
    for (let x = 0; x < width; x += 1, i += 1) {
      const at = row + columns[x]!;
      const hers = boat[at] !== 0;
      if (reached[i] === 0) zones[i] = hers ? UNSEEN : ELSEWHERE;
      else if (hers) zones[i] = HERS;
      else zones[i] = beyond[at] === 0 ? ELSEWHERE : BELOW;
    }
  }
  return zones;
};

/** Recognises her, lays the first photograph over the second and evens out the light. Everything is kept in the bin. */
export const lookAt = (cv: Cv, bin: Bin, out: Grey, back: Grey): Seen => {
  const refused = (reason: Reason, inliers = 0): Seen => ({ refused: reason, inliers });
  if (medianOf(out.data) < DARK || medianOf(back.data) < DARK) return refused('dark');
  const [a, b] = [matOf(cv, bin, out), matOf(cv, bin, back)];
  const [fa, fb] = [featuresOf(cv, bin, a), featuresOf(cv, bin, b)];
  if (Math.min(fa.descriptors.rows, fb.descriptors.rows) < 4 * ENOUGH_INLIERS) return refused('fewFeatures');
  const placed = place(cv, bin, fa, fb);
  const { inliers } = placed;
  if (inliers < ENOUGH_INLIERS) {
    const mirror = place(cv, bin, fa, featuresOf(cv, bin, matOf(cv, bin, flipped(back))));
    return mirror.inliers >= ENOUGH_INLIERS && !wrongWay(mirror.homography, out.width, out.height)
      ? refused('mirrored', inliers)
      : refused('otherPlace', inliers);
  }
  const wrong = wrongWay(placed.homography, out.width, out.height);
  if (wrong) return refused(wrong, inliers);
  const alignment = align(cv, bin, a, b, placed.homography);
  const { aligned } = alignment;
  const boat = outline(cv, bin, placed, alignment, b);
  const lit = bytesOf(aligned);
  relight(cv, bin, aligned, b, boat);
  const zones = zonesOf(boat, bytesOf(alignment.valid), back);
  recurve(aligned, b, (i) => zones[i] === HERS);
  if (alikeOf(cv, bin, aligned, b, boat) < alikeNeeded(inliers)) return refused('otherBoat', inliers);
  const { heat, far } = differences(cv, bin, aligned, b);
  return {
    refused: undefined,
    inliers,
    look: {
      heat,
      far,
      allowed: zones,
      aligned,
      b,
      lit,
      coarse: {
        width: COARSE_AT_PX,
        back: bytesOf(coarseOf(cv, bin, b)),
        surface: bytesOf(alignment.surface),
        free: bytesOf(alignment.free),
        aligned: bytesOf(coarseOf(cv, bin, aligned)),
      },
      strayed: alignment.strayed,
    },
    paint: (rgb) => repaint(cv, bin, { ...out, rgb }, alignment.maps, lit, bytesOf(aligned)),
  };
};
