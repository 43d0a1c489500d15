import { align, recurve, relight } from './align';
import { BELOW, ELSEWHERE, HERS, UNSEEN } from './blobs';
import { boxesOf, type Found } from './boxes';
import { differences } from './differences';
import { alikeOf, belowHer, outline } from './outline';
import { bytesOf, COARSE_AT_PX, type Grey, matOf, medianOf } from './picture';
import { ENOUGH_INLIERS, featuresOf, flipped, place, type Reason, wrongWay } from './recognise';
import { Bin, vision } from './vision';

export type Compared =
  | { comparable: false; reason: Reason; inliers: number; boxes: [] }
  | {
      comparable: true;
      inliers: number;
      boxes: Found[];
      /** The first photograph laid over the second, and how much each place differs, 0 to 255, both as large as the second. */
      aligned: Uint8Array;
      heat: Uint8Array;
    };

/** The middle brightness below which a photograph shows too little. */
const DARK = 24;
/** Share of the squares that must look the same: of 100 true pairs the least was 0.902, of 36 sisters the most 0.871. */
const BOAT_ALIKE = 0.89;

/**
 * Compares two photographs of one side, before and after: recognises her, lays one over the other, evens out the light, and
 * boxes what is new. A person says what a box is. Two that cannot be compared are refused with the reason.
 */
export const comparePair = async (out: Grey, back: Grey): Promise<Compared> => {
  const { cv } = await vision();
  const bin = new Bin();
  try {
    const refused = (reason: Reason, inliers = 0): Compared => ({ comparable: false, reason, inliers, boxes: [] });
    if (medianOf(out.data) < DARK || medianOf(back.data) < DARK) return refused('dark');
    const [a, b] = [matOf(cv, bin, out), matOf(cv, bin, back)];
    const [fa, fb] = [featuresOf(cv, bin, a), featuresOf(cv, bin, b)];
    if (Math.min(fa.descriptors.rows, fb.descriptors.rows) < 4 * ENOUGH_INLIERS) return refused('fewFeatures');
    const placed = place(cv, bin, fa, fb);
    if (placed.inliers < ENOUGH_INLIERS) {
      const mirror = place(cv, bin, fa, featuresOf(cv, bin, matOf(cv, bin, flipped(back))));
      return mirror.inliers >= ENOUGH_INLIERS && !wrongWay(mirror.homography, out.width, out.height)
        ? refused('mirrored', placed.inliers)
        : refused('otherPlace', placed.inliers);
    }
    const wrong = wrongWay(placed.homography, out.width, out.height);
    if (wrong) return refused(wrong, placed.inliers);
    const laid = align(cv, bin, a, b, placed.homography);
    const { aligned, valid } = laid;
    const boat = outline(cv, bin, placed, laid, b);
    const lit = bytesOf(aligned);
    relight(cv, bin, aligned, b, boat);
    const [cw, scale] = [COARSE_AT_PX, COARSE_AT_PX / back.width];
    const ok = bytesOf(valid);
    const coarse = (i: number) => Math.floor(Math.floor(i / back.width) * scale) * cw + Math.floor((i % back.width) * scale);
    recurve(aligned, b, (i) => ok[i] !== 0 && boat[coarse(i)] !== 0);
    const alike = alikeOf(cv, bin, aligned, b, boat);
    if (alike < BOAT_ALIKE) return refused('otherBoat', placed.inliers);
    const { heat, far } = differences(cv, bin, aligned, b);
    const below = belowHer(boat, cw);
    const allowed = new Uint8Array(ok.length);
    for (let y = 0, i = 0; y < back.height; y += 1)
      for (let x = 0; x < back.width; x += 1, i += 1) {
        const [cx, cy] = [Math.min(cw - 1, Math.floor(x * scale)), Math.floor(y * scale)];
        allowed[i] = boat[cy * cw + cx] === 0 ? (ok[i] && below[cy * cw + cx] ? BELOW : ELSEWHERE) : ok[i] ? HERS : UNSEEN;
      }
    const boxes = boxesOf(cv, bin, { heat, far, allowed, aligned, b, lit });
    return {
      comparable: true,
      inliers: placed.inliers,
      boxes,
      aligned: bytesOf(aligned),
      heat: bytesOf(heat),
    };
  } finally {
    bin.empty();
  }
};
