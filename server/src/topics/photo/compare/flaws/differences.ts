import type { Bin, Cv } from '../vision';
import { bytesOf, type Mat } from '../picture';

/**
 * What may still be shifted after local alignment, px; twice as far, contrast is taken for what is left of a shift; and what
 * stands out of everything three times as far did not only shift.
 */
const SLACK_PX = 2;
/** How much of the contrast about a place is taken for what is left of a shift. */
const EDGES_EXCUSE = 0.22;

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
  // Squares rather than discs: they are many times quicker, a px in the corners is nothing, and one after the other they add up.
  const around = bin.keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(2 * SLACK_PX + 1, 2 * SLACK_PX + 1)));
  const range = ([low, high]: readonly [Mat, Mat]): [Mat, Mat] => {
    const [lower, higher] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    cv.erode(low, lower, around);
    cv.dilate(high, higher, around);
    return [lower, higher];
  };
  const once = range([sa, sa]);
  const twice = range(once);
  const thrice = range(twice);
  const excuse = bin.keep(new cv.Mat());
  cv.subtract(twice[1], twice[0], excuse);
  excuse.convertTo(excuse, cv.CV_8U, EDGES_EXCUSE, 0);
  const standing = ([low, high]: readonly [Mat, Mat]): Mat => {
    const [more, less] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    cv.subtract(sb, high, more);
    cv.subtract(low, sb, less);
    cv.max(more, less, more);
    cv.subtract(more, excuse, more);
    return more;
  };
  return { heat: standing(once), far: bytesOf(standing(thrice)) };
};
