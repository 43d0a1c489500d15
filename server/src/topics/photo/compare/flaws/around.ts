import { Bin, type Cv } from '../vision';
import { BELOW, type Blob, HERS, type Look } from './blobs';
import { bytesOf } from '../picture';

/** Surroundings of a difference, px from it: near ones are left out, since edges are soft. */
const FROM_PX = 3;
const TO_PX = 9;
const LEAST_AROUND = 24;
/** So near to what became of a difference, as a share of the step between it and its surroundings, is the same light. */
const SAME_LIGHT = 0.4;
/** Surroundings that became so much lighter or darker than the rest of them are not quiet; so much of them may be. */
const QUIET = 0.12;

const LOG = Float32Array.from({ length: 256 }, (_, v) => Math.log(v + 10));

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** A difference beside what lies around it, in both pictures. */
type Around = {
  /** How much lighter it became, as a logarithm: itself, and what is around it. */
  became: number;
  aroundBecame: number;
  /** Share of what is around it that became what it became: the edge of a shadow or of something wet, and no flaw. */
  alike: number;
  /** Share of what is around it that did not become what the rest of it became: a flaw lies in quiet paint. */
  restless: number;
  /** How much it stands out in the second picture, and in the first in the second's light. */
  standsOut: number;
  stoodOut: number;
};

export const aroundOf = (cv: Cv, { b, lit, allowed }: Look, labels: Int32Array, { label, x0, y0, x1, y1 }: Blob): Around | undefined => {
  const { cols, rows } = b;
  const [left, top] = [Math.max(0, x0 - TO_PX - 1), Math.max(0, y0 - TO_PX - 1)];
  const [w, h] = [Math.min(cols, x1 + TO_PX + 2) - left, Math.min(rows, y1 + TO_PX + 2) - top];
  const bin = new Bin();
  try {
    const is = new Uint8Array(w * h);
    for (let y = 0, k = 0; y < h; y += 1)
      for (let x = 0, i = (top + y) * cols + left; x < w; x += 1, i += 1, k += 1) is[k] = labels[i] === label ? 255 : 0;
    const inside = bin.keep(new cv.Mat(h, w, cv.CV_8U));
    inside.data.set(is);
    const [skip, reach] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
    const by = (px: number) => bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * px + 1, 2 * px + 1)));
    cv.dilate(inside, skip, by(FROM_PX));
    cv.dilate(inside, reach, by(TO_PX));
    const [not, far] = [bytesOf(skip), bytesOf(reach)];
    const after = b.data as Uint8Array;
    const [its, others]: [number[], number[]] = [[], []];
    const [now, then, aroundNow, aroundThen] = [{ sum: 0 }, { sum: 0 }, { sum: 0 }, { sum: 0 }];
    for (let y = 0; y < h; y += 1)
      for (let x = 0, i = (top + y) * cols + left; x < w; x += 1, i += 1) {
        const k = y * w + x;
        if (is[k]) {
          its.push(LOG[after[i]!]! - LOG[lit[i]!]!);
          now.sum += after[i]!;
          then.sum += lit[i]!;
        } else if (far[k] && !not[k] && (allowed[i] === HERS || allowed[i] === BELOW)) {
          others.push(LOG[after[i]!]! - LOG[lit[i]!]!);
          aroundNow.sum += after[i]!;
          aroundThen.sum += lit[i]!;
        }
      }
    if (others.length < LEAST_AROUND) return undefined;
    const [became, aroundBecame] = [median(its), median(others)];
    const step = Math.abs(became - aroundBecame);
    const brighter = Math.exp(aroundBecame);
    return {
      became,
      aroundBecame,
      alike: others.filter((one) => Math.abs(one - became) < SAME_LIGHT * step).length / others.length,
      restless: others.filter((one) => Math.abs(one - aroundBecame) > QUIET).length / others.length,
      standsOut: now.sum / its.length - aroundNow.sum / others.length,
      stoodOut: (then.sum / its.length - aroundThen.sum / others.length) * brighter,
    };
  } finally {
    bin.empty();
  }
};
