import type { Bin, Cv } from './vision';
import { bytesOf, type Mat } from './picture';

/** What may still be shifted after local alignment, px. */
const SLACK_PX = 2;
/** What stands out of everything this near as well did not only shift. */
const NEAR_PX = 6;
/** How much of the contrast about a place, within so many px, is taken for what is left of a shift. */
const EDGES_EXCUSE = 0.22;
const EDGES_PX = 4;

/**
 * What stands out of everything that is near it in the other picture; what is only shifted a little does not.
 * @returns how much, 0 to 255: with little slack, and with more
 */
export const differences = (cv: Cv, bin: Bin, aligned: Mat, b: Mat): { heat: Mat; far: Uint8Array } => {
  const [sa, sb] = [aligned, b].map((mat) => {
    const soft = bin.keep(new cv.Mat());
    cv.GaussianBlur(mat, soft, new cv.Size(0, 0), 1.3);
    return soft;
  }) as [Mat, Mat];
  // Squares rather than discs: they are many times quicker, and a px in the corners is nothing.
  const by = (px: number) => bin.keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(2 * px + 1, 2 * px + 1)));
  const [excuse, low] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
  cv.dilate(sa, excuse, by(EDGES_PX));
  cv.erode(sa, low, by(EDGES_PX));
  cv.subtract(excuse, low, excuse);
  excuse.convertTo(excuse, cv.CV_8U, EDGES_EXCUSE, 0);
  const standing = (px: number): Mat => {
    const [high, more, less] = [0, 0, 0].map(() => bin.keep(new cv.Mat())) as [Mat, Mat, Mat];
    const around = by(px);
    cv.dilate(sa, high, around);
    cv.erode(sa, low, around);
    cv.subtract(sb, high, more);
    cv.subtract(low, sb, less);
    cv.max(more, less, more);
    cv.subtract(more, excuse, more);
    return more;
  };
  return { heat: standing(SLACK_PX), far: bytesOf(standing(NEAR_PX)) };
};
