import { boxesOf, type Ranked } from './flaws/boxes';
import { lookAt } from './look';
import { bytesOf, type Grey } from './picture';
import type { Reason } from './align/recognise';
import { Bin, vision } from './vision';

export type Compared =
  | { comparable: false; reason: Reason; inliers: number; boxes: [] }
  | (Ranked & {
      comparable: true;
      inliers: number;
      /**
       * The first photograph laid over the second in the light of that one, three bytes a place where its colours were given;
       * and how much each place differs, 0 to 255; both as large as the second.
       */
      aligned: Uint8Array;
      heat: Uint8Array;
    });

/**
 * Compares two photographs of one side, before and after: recognises her, lays one over the other, evens out the light, and
 * boxes what is new. A person says what a box is. Two that cannot be compared are refused with the reason.
 * @param rgb the first in its colours, three bytes a place, for a picture to look at
 */
export const comparePair = async (out: Grey, back: Grey, rgb?: Uint8Array): Promise<Compared> => {
  const { cv } = await vision();
  const bin = new Bin();
  try {
    const seen = lookAt(cv, bin, out, back);
    if (seen.refused) return { comparable: false, reason: seen.refused, inliers: seen.inliers, boxes: [] };
    const { look, inliers, paint } = seen;
    return { comparable: true, inliers, ...boxesOf(cv, look), aligned: rgb ? paint(rgb) : bytesOf(look.aligned), heat: bytesOf(look.heat) };
  } finally {
    bin.empty();
  }
};
