import { matchesOf } from './matches';
import type { Bin, Cv } from '../vision';
import type { Grey, Mat } from '../picture';

export const REASONS = ['dark', 'fewFeatures', 'otherPlace', 'mirrored', 'upsideDown', 'viewpoint', 'otherBoat'] as const;
/** Why two photographs cannot be compared. */
export type Reason = (typeof REASONS)[number];

/** Features are looked for in a smaller picture: what a hull shows at this width is enough to find her by. */
const FEATURES_AT_PX = 1000;
const MOST_FEATURES = 2600;
/** Lowe's ratio: a match must be this much better than the next best. */
const RATIO = 0.78;
const RANSAC_PX = 3.5;
export const ENOUGH_INLIERS = 24;
/** Turned by more than this, somebody held the phone upside down. */
const TURNED = Math.PI / 3;

export type Features = { points: Float32Array; descriptors: Mat };

export const featuresOf = (cv: Cv, bin: Bin, grey: Mat): Features => {
  const scale = FEATURES_AT_PX / grey.cols;
  const small = bin.keep(new cv.Mat());
  cv.resize(grey, small, new cv.Size(FEATURES_AT_PX, Math.round(grey.rows * scale)), 0, 0, cv.INTER_AREA);
  const clahe = bin.keep(new cv.CLAHE(3, new cv.Size(8, 8)));
  clahe.apply(small, small);
  const orb = bin.keep(new cv.ORB(MOST_FEATURES));
  const found = bin.keep(new cv.KeyPointVector());
  const descriptors = bin.keep(new cv.Mat());
  const none = bin.keep(new cv.Mat());
  orb.detectAndCompute(small, none, found, descriptors);
  const points = new Float32Array(found.size() * 2);
  for (let i = 0; i < found.size(); i += 1) {
    const { pt } = found.get(i) as unknown as { pt: { x: number; y: number } };
    points[2 * i] = pt.x / scale;
    points[2 * i + 1] = pt.y / scale;
  }
  return { points, descriptors };
};

export type Placed = {
  homography: number[];
  inliers: number;
  /** Where the inliers lie in the second picture, x and y in turn. */
  to: Float32Array;
};

/** The plane-to-plane map from the first photograph onto the second that most matches agree upon. */
export const place = (cv: Cv, bin: Bin, out: Features, back: Features): Placed => {
  const none: Placed = { homography: [], inliers: 0, to: new Float32Array() };
  if (out.descriptors.rows < ENOUGH_INLIERS || back.descriptors.rows < ENOUGH_INLIERS) return none;
  const wordsOf = ({ descriptors }: Features) => new Int32Array((descriptors.data as Uint8Array).slice().buffer);
  const pairs = matchesOf(wordsOf(out), wordsOf(back), RATIO);
  if (pairs.length < ENOUGH_INLIERS) return none;
  const points = (of: Float32Array, side: 0 | 1) => pairs.flatMap((pair) => [of[2 * pair[side]]!, of[2 * pair[side] + 1]!]);
  const [from, to] = [points(out.points, 0), points(back.points, 1)];
  const a = bin.keep(cv.matFromArray(pairs.length, 1, cv.CV_32FC2, from));
  const b = bin.keep(cv.matFromArray(pairs.length, 1, cv.CV_32FC2, to));
  const mask = bin.keep(new cv.Mat());
  const found = bin.keep(cv.findHomography(a, b, cv.RANSAC, RANSAC_PX, mask, 4000, 0.999));
  if (found.rows !== 3) return none;
  const inside = pairs.flatMap((_, i) => (mask.data[i] ? [i] : []));
  return {
    homography: [...found.data64F],
    inliers: inside.length,
    to: Float32Array.from(inside.flatMap((i) => [to[2 * i]!, to[2 * i + 1]!])),
  };
};

const through = (h: readonly number[], x: number, y: number): [number, number] => {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
};

/** Why a map cannot be the same side seen twice from about the same place. */
export const wrongWay = (h: readonly number[], width: number, height: number): Reason | undefined => {
  const [cx, cy] = [width / 2, height / 2];
  const [at, right, down] = [through(h, cx, cy), through(h, cx + 50, cy), through(h, cx, cy + 50)];
  const [ux, uy, vx, vy] = [right[0] - at[0], right[1] - at[1], down[0] - at[0], down[1] - at[1]];
  const area = (ux * vy - uy * vx) / 2500;
  if (area < 0) return 'mirrored';
  if (Math.abs(Math.atan2(uy, ux)) > TURNED) return 'upsideDown';
  const [lu, lv] = [Math.hypot(ux, uy) / 50, Math.hypot(vx, vy) / 50];
  if (area < 0.3 || area > 3.3 || lu / lv > 1.8 || lv / lu > 1.8) return 'viewpoint';
  // A corner that is thrown behind the camera, or the picture folded over.
  const corners = [through(h, 0, 0), through(h, width, 0), through(h, width, height), through(h, 0, height)];
  const turns = corners.map(([x, y], i) => {
    const [nx, ny] = corners[(i + 1) % 4]!;
    const [mx, my] = corners[(i + 2) % 4]!;
    return (nx - x) * (my - ny) - (ny - y) * (mx - nx);
  });
  return turns.every((turn) => turn > 0) ? undefined : 'viewpoint';
};

export const flipped = ({ width, height, data }: Grey): Grey => {
  const out = new Uint8Array(data.length);
  for (let y = 0; y < height; y += 1) for (let x = 0; x < width; x += 1) out[y * width + x] = data[y * width + width - 1 - x]!;
  return { width, height, data: out };
};
