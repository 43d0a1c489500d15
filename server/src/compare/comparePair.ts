import { Bin, type Cv, vision } from './vision';

/** Brightness of a photograph, row by row, upright, {@link COMPARED_AT_PX} wide. */
export type Grey = { width: number; height: number; data: Uint8Array };

/** What is new in the second photograph, px of it; the strongest first. */
export type Found = { x: number; y: number; width: number; height: number; strength: number };

export const REASONS = ['dark', 'fewFeatures', 'otherPlace', 'mirrored', 'upsideDown', 'viewpoint', 'otherBoat'] as const;
/** Why two photographs cannot be compared. */
export type Reason = (typeof REASONS)[number];

export type Compared =
  | { comparable: false; reason: Reason; inliers: number; boxes: [] }
  | {
      comparable: true;
      inliers: number;
      /** Share of what both show that looks the same. */
      alike: number;
      boxes: Found[];
      /** The first photograph laid over the second, and how much each place differs, 0 to 255, both as large as the second. */
      aligned: Uint8Array;
      heat: Uint8Array;
    };

export const COMPARED_AT_PX = 1600;

/** Features are looked for in a smaller picture: what a hull shows at this width is enough to find her by. */
const FEATURES_AT_PX = 1000;
const MOST_FEATURES = 2600;
/** Lowe's ratio: a match must be this much better than the next best. */
const RATIO = 0.78;
const RANSAC_PX = 3.5;
const ENOUGH_INLIERS = 24;
/** The middle brightness below which a photograph shows too little. */
const DARK = 24;
/** Turned by more than this, somebody held the phone upside down. */
const TURNED = Math.PI / 3;
/** Local alignment and light are worked out at this width. */
const COARSE_AT_PX = 800;
/** Illumination is what stays the same over so many px of the coarse picture; a flaw is smaller. */
const LIGHT_PX = 45;
/** What may still be shifted after local alignment, px. */
const SLACK_PX = 2;
/** Tiles by which it is seen whether both are the same boat, px of the coarse picture. */
const TILE = 40;
/** Brightness by which a tile must vary to say anything. */
const TEXTURED = 7;
const TILE_ALIKE = 0.62;
const BOAT_ALIKE = 0.86;

/** How much brighter or darker than anything near it in the first picture; a flaw's edge and its core. */
const EDGE = 9;
const CORE = 19;
const LEAST_PX = 26;
const LEAST_SIDE_PX = 7;
const MOST_BOXES = 12;
const VEIL_PX2 = 50_000;
const VEILED = 0.2;
const GLINT_PX = 24;
/** Found this near in the other picture as well, it may only have shifted; so much of it must stand out all the same. */
const NEAR_PX = 8;
const STANDS_OUT = 0.25;
/** Fainter than this, it is not worth anybody's eye. */
const FAINT = 0.56;
const BLOWN = 236;
/** Near things stand elsewhere before her in the second picture, by up to so many px; seen there as well as this, they only moved. */
const MOVED_PX = 44;
const MOVED_ALIKE = 0.74;
const STAYED_ALIKE = 0.7;
const SAME_ALIKE = 0.8;
/** Brightness by which a place must vary for it to be recognised elsewhere. */
const TELLING = 9;
/** How much of the contrast about a place is taken for what is left of a shift. */
const EDGES_EXCUSE = 0.22;

type Mat = InstanceType<Cv['Mat']>;

const matOf = (cv: Cv, bin: Bin, { width, height, data }: Grey): Mat => {
  const mat = bin.keep(new cv.Mat(height, width, cv.CV_8UC1));
  mat.data.set(data);
  return mat;
};

const medianOf = (data: Uint8Array): number => {
  const counts = new Uint32Array(256);
  for (const v of data) counts[v]! += 1;
  let [seen, v] = [0, 0];
  while (v < 255 && (seen += counts[v]!) * 2 < data.length) v += 1;
  return v;
};

type Features = { points: Float32Array; descriptors: Mat };

const featuresOf = (cv: Cv, bin: Bin, grey: Mat): Features => {
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

type Placed = { homography: number[]; inliers: number; from: Float32Array; to: Float32Array };

/** The plane-to-plane map from the first photograph onto the second that most matches agree upon. */
const place = (cv: Cv, bin: Bin, out: Features, back: Features): Placed => {
  const none: Placed = { homography: [], inliers: 0, from: new Float32Array(), to: new Float32Array() };
  if (out.descriptors.rows < ENOUGH_INLIERS || back.descriptors.rows < ENOUGH_INLIERS) return none;
  const matcher = bin.keep(new cv.BFMatcher(cv.NORM_HAMMING));
  const matches = bin.keep(new cv.DMatchVectorVector());
  matcher.knnMatch(out.descriptors, back.descriptors, matches, 2);
  const pairs: [number, number][] = [];
  for (let i = 0; i < matches.size(); i += 1) {
    const best = matches.get(i);
    if (best.size() >= 2) {
      const [first, second] = [best.get(0), best.get(1)] as unknown as { distance: number; queryIdx: number; trainIdx: number }[];
      if (first!.distance < RATIO * second!.distance) pairs.push([first!.queryIdx, first!.trainIdx]);
    }
    best.delete();
  }
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
    from: Float32Array.from(inside.flatMap((i) => [from[2 * i]!, from[2 * i + 1]!])),
    to: Float32Array.from(inside.flatMap((i) => [to[2 * i]!, to[2 * i + 1]!])),
  };
};

const through = (h: readonly number[], x: number, y: number): [number, number] => {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
};

/** Why a map cannot be the same side seen twice from about the same place. */
const wrongWay = (h: readonly number[], width: number, height: number): Reason | undefined => {
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

/** Varies about 128 by what is local: light and shade go away, lines and letters stay. */
const locally = (cv: Cv, bin: Bin, grey: Mat): Mat => {
  const float = bin.keep(new cv.Mat());
  grey.convertTo(float, cv.CV_32F);
  const mean = bin.keep(new cv.Mat());
  const spread = bin.keep(new cv.Mat());
  cv.GaussianBlur(float, mean, new cv.Size(0, 0), 9);
  cv.subtract(float, mean, float);
  const squared = bin.keep(new cv.Mat());
  cv.multiply(float, float, squared);
  cv.GaussianBlur(squared, spread, new cv.Size(0, 0), 14);
  cv.sqrt(spread, spread);
  const floor = bin.keep(new cv.Mat(grey.rows, grey.cols, cv.CV_32F, new cv.Scalar(6)));
  cv.add(spread, floor, spread);
  cv.divide(float, spread, float);
  const out = bin.keep(new cv.Mat());
  float.convertTo(out, cv.CV_8U, 42, 128);
  return out;
};

/** Lays the first photograph over the second, first as a plane, then place by place: hulls curve, and near things shift. */
const align = (cv: Cv, bin: Bin, a: Mat, b: Mat, homography: readonly number[]): { aligned: Mat; valid: Mat; flow: Mat } => {
  const size = new cv.Size(b.cols, b.rows);
  const h = bin.keep(cv.matFromArray(3, 3, cv.CV_64F, [...homography]));
  const plane = bin.keep(new cv.Mat());
  cv.warpPerspective(a, plane, h, size, cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
  const [cw, ch] = [COARSE_AT_PX, Math.round((b.rows * COARSE_AT_PX) / b.cols)];
  const [sa, sb] = [plane, b].map((mat) => {
    const small = bin.keep(new cv.Mat());
    cv.resize(mat, small, new cv.Size(cw, ch), 0, 0, cv.INTER_AREA);
    return locally(cv, bin, small);
  }) as [Mat, Mat];
  const flow = bin.keep(new cv.Mat());
  // From the second to the first: for each of its places, where the same thing lies in the first.
  cv.calcOpticalFlowFarneback(sb, sa, flow, 0.5, 4, 27, 3, 7, 1.5, 0);
  cv.GaussianBlur(flow, flow, new cv.Size(0, 0), 5);
  const large = bin.keep(new cv.Mat());
  cv.resize(flow, large, size, 0, 0, cv.INTER_LINEAR);
  const scale = b.cols / cw;
  const shift = large.data32F;
  const [mx, my] = [bin.keep(new cv.Mat(b.rows, b.cols, cv.CV_32F)), bin.keep(new cv.Mat(b.rows, b.cols, cv.CV_32F))];
  const [dx, dy] = [mx.data32F, my.data32F];
  const inverse = bin.keep(new cv.Mat());
  cv.invert(h, inverse, cv.DECOMP_LU);
  const back = [...inverse.data64F];
  const valid = bin.keep(new cv.Mat(b.rows, b.cols, cv.CV_8U));
  const ok = valid.data;
  for (let y = 0, i = 0; y < b.rows; y += 1)
    for (let x = 0; x < b.cols; x += 1, i += 1) {
      const [px, py] = [x + shift[2 * i]! * scale, y + shift[2 * i + 1]! * scale];
      const w = back[6]! * px + back[7]! * py + back[8]!;
      const [u, v] = [(back[0]! * px + back[1]! * py + back[2]!) / w, (back[3]! * px + back[4]! * py + back[5]!) / w];
      dx[i] = u;
      dy[i] = v;
      ok[i] = u >= 2 && v >= 2 && u < a.cols - 3 && v < a.rows - 3 ? 255 : 0;
    }
  const aligned = bin.keep(new cv.Mat());
  cv.remap(a, aligned, mx, my, cv.INTER_LINEAR, cv.BORDER_REPLICATE, new cv.Scalar());
  return { aligned, valid, flow };
};

/** Logarithm of brightness, as far as eight bits carry it; a shadow or another exposure only adds to it. */
const LOG = Float32Array.from({ length: 256 }, (_, v) => Math.log(v + 10));
const LOG_STEP = 0.0125;

/** The first picture in the light of the second: their ratio over areas larger than a flaw, edges of shadows kept. */
const relight = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, boat: Uint8Array): void => {
  const [cw, ch] = [COARSE_AT_PX, Math.round((b.rows * COARSE_AT_PX) / b.cols)];
  const [sa, sb] = [aligned, b].map((mat) => {
    const small = bin.keep(new cv.Mat());
    cv.resize(mat, small, new cv.Size(cw, ch), 0, 0, cv.INTER_AREA);
    return small;
  }) as [Mat, Mat];
  const ratio = bin.keep(new cv.Mat(ch, cw, cv.CV_8U));
  const to = ratio.data;
  const [da, db] = [sa.data, sb.data];
  for (let i = 0; i < to.length; i += 1) to[i] = Math.max(0, Math.min(255, Math.round((LOG[db[i]!]! - LOG[da[i]!]!) / LOG_STEP) + 128));
  // Beyond the boat there is another light; what is next to her goes on there instead.
  const [sum, weight] = [0, 0].map(() => bin.keep(new cv.Mat(ch, cw, cv.CV_32F))) as [Mat, Mat];
  for (let i = 0; i < to.length; i += 1) {
    const hers = boat[i] ? 1 : 1e-4;
    sum.data32F[i] = to[i]! * hers;
    weight.data32F[i] = hers;
  }
  cv.blur(sum, sum, new cv.Size(41, 41));
  cv.blur(weight, weight, new cv.Size(41, 41));
  for (let i = 0; i < to.length; i += 1) if (!boat[i]) to[i] = Math.round(sum.data32F[i]! / weight.data32F[i]!);
  cv.medianBlur(ratio, ratio, LIGHT_PX);
  const large = bin.keep(new cv.Mat());
  const float = bin.keep(new cv.Mat());
  ratio.convertTo(float, cv.CV_32F);
  cv.GaussianBlur(float, float, new cv.Size(0, 0), 1.2);
  cv.resize(float, large, new cv.Size(b.cols, b.rows), 0, 0, cv.INTER_LINEAR);
  const light = large.data32F;
  const data = aligned.data;
  for (let i = 0; i < data.length; i += 1)
    data[i] = Math.max(0, Math.min(255, (data[i]! + 10) * Math.exp((light[i]! - 128) * LOG_STEP) - 10));
};

/** Levels by which the curve of brightness is learnt. */
const LEVELS = 64;

/**
 * What bright and dark things of the first picture look like in the second: another exposure bends the curve, so that white
 * letters and black windows differ from what lies round them by more than the light does. Each level becomes the middle
 * brightness that the second shows where the first shows it.
 */
const recurve = (aligned: Mat, b: Mat, allowed: (i: number) => boolean): void => {
  const [da, db] = [aligned.data as Uint8Array, b.data as Uint8Array];
  const counts = new Uint32Array(LEVELS * 256);
  const totals = new Uint32Array(LEVELS);
  for (let i = 0; i < da.length; i += 3) {
    if (!allowed(i)) continue;
    const level = da[i]! >> 2;
    counts[level * 256 + db[i]!]! += 1;
    totals[level]! += 1;
  }
  const least = Math.max(60, da.length / 40_000);
  const known: [number, number][] = [];
  for (let level = 0; level < LEVELS; level += 1) {
    if (totals[level]! < least) continue;
    let [seen, v] = [0, 0];
    while (v < 255 && (seen += counts[level * 256 + v]!) * 2 < totals[level]!) v += 1;
    const last = known.at(-1);
    known.push([level * 4 + 1.5, Math.max(v, last ? last[1] : 0)]);
  }
  if (known.length < 2) return;
  const curve = Uint8Array.from({ length: 256 }, (_, v) => {
    const at = known.findIndex(([x]) => x >= v);
    // Beyond what was seen it goes on as it ended.
    if (at === 0) return Math.max(0, Math.min(255, v + known[0]![1] - known[0]![0]));
    if (at < 0) return Math.max(0, Math.min(255, v + known.at(-1)![1] - known.at(-1)![0]));
    const [[x0, y0], [x1, y1]] = [known[at - 1]!, known[at]!];
    return Math.round(y0 + ((y1 - y0) * (v - x0)) / (x1 - x0));
  });
  for (let i = 0; i < da.length; i += 1) da[i] = curve[da[i]!]!;
};

/** Share of the tiles that vary in the first picture and look the same in the second: a sister of the boat varies otherwise. */
const alikeOf = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, inside: Uint8Array): number => {
  const [cw, ch] = [COARSE_AT_PX, Math.round((b.rows * COARSE_AT_PX) / b.cols)];
  const [a8, b8] = [aligned, b].map((mat) => {
    const small = bin.keep(new cv.Mat());
    cv.resize(mat, small, new cv.Size(cw, ch), 0, 0, cv.INTER_AREA);
    cv.GaussianBlur(small, small, new cv.Size(0, 0), 1.1);
    return small.data;
  }) as [Uint8Array, Uint8Array];
  const [across, down] = [Math.floor(cw / TILE), Math.floor(ch / TILE)];
  let [same, said] = [0, 0];
  for (let ty = 0; ty < down; ty += 1)
    for (let tx = 0; tx < across; tx += 1) {
      let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
      for (let y = ty * TILE; y < (ty + 1) * TILE; y += 1)
        for (let x = tx * TILE, i = y * cw + tx * TILE; x < (tx + 1) * TILE; x += 1, i += 1) {
          if (!inside[i]) continue;
          const [p, q] = [a8[i]!, b8[i]!];
          n += 1;
          sa += p;
          sb += q;
          saa += p * p;
          sbb += q * q;
          sab += p * q;
        }
      if (n < (TILE * TILE) / 2) continue;
      const [va, vb] = [saa / n - (sa / n) ** 2, sbb / n - (sb / n) ** 2];
      const [da, db] = [Math.sqrt(Math.max(0, va)), Math.sqrt(Math.max(0, vb))];
      // What is plain in the first and not in the second may be a flaw: it does not speak against the boat.
      if (da < TEXTURED) continue;
      const alike = (sab / n - (sa / n) * (sb / n)) / Math.max(1, da * db);
      said += 1;
      if (alike >= TILE_ALIKE) same += 1;
    }
  return said === 0 ? 0 : same / said;
};

/** Squares by which it is seen how far the boat reaches, px of the coarse picture. */
const SQUARE = 16;
/** Weaker than {@link TEXTURED}: dirt and specks are enough to know a hull by, and water has other ones every time. */
const SPECKLED = 1.2;
const SPECKS_ALIKE = 0.36;
/** What moves by more than this beside the boat, px of the coarse picture, lies behind or before her. */
const BESIDE_PX = 3;
/** What lies so near to where she ends, px, and to so large a part, is of what she stands before. */
const RIM_PX = 4;
const AT_RIM = 0.3;
/** How much of her edge is left out, px of the coarse picture. */
const RIM = 9;

/**
 * The part of the second picture that the boat fills: squares in which both pictures show the same specks in the same place,
 * and what lies between them. Water has other specks each time, sky has none, and a bank moves beside her.
 * @returns for each place of the coarse picture, whether it is hers
 */
const outline = (cv: Cv, bin: Bin, placed: Placed, aligned: Mat, b: Mat, valid: Mat, flow: Mat): Uint8Array => {
  const [cw, ch] = [COARSE_AT_PX, Math.round((b.rows * COARSE_AT_PX) / b.cols)];
  const [a8, b8, ok] = [aligned, b, valid].map((mat) => {
    const small = bin.keep(new cv.Mat());
    cv.resize(mat, small, new cv.Size(cw, ch), 0, 0, cv.INTER_AREA);
    return small.data;
  }) as [Uint8Array, Uint8Array, Uint8Array];
  const [across, down] = [Math.ceil(cw / SQUARE), Math.ceil(ch / SQUARE)];
  const shift = flow.data32F;
  const known = new Uint8Array(across * down);
  for (let ty = 0; ty < down; ty += 1)
    for (let tx = 0; tx < across; tx += 1) {
      let [n, sa, sb, saa, sbb, sab, moved] = [0, 0, 0, 0, 0, 0, 0];
      // Looked at half a square beyond each side: a few specks more.
      for (let y = Math.max(0, ty * SQUARE - 8); y < Math.min(ch, (ty + 1) * SQUARE + 8); y += 1)
        for (let x = Math.max(0, tx * SQUARE - 8), i = y * cw + x; x < Math.min(cw, (tx + 1) * SQUARE + 8); x += 1, i += 1) {
          if (ok[i]! < 200) continue;
          const [p, q] = [a8[i]!, b8[i]!];
          n += 1;
          sa += p;
          sb += q;
          saa += p * p;
          sbb += q * q;
          sab += p * q;
          moved += Math.hypot(shift[2 * i]!, shift[2 * i + 1]!);
        }
      if (n < SQUARE * SQUARE) continue;
      const [va, vb] = [saa / n - (sa / n) ** 2, sbb / n - (sb / n) ** 2];
      if (va < SPECKLED ** 2 || vb < SPECKLED ** 2 || moved / n > BESIDE_PX) continue;
      if ((sab / n - (sa / n) * (sb / n)) / Math.sqrt(va * vb) >= SPECKS_ALIKE) known[ty * across + tx] = 1;
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
  return Uint8Array.from(mask.data as Uint8Array);
};

type Blob = {
  label: number;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  area: number;
  sum: number;
  far: number;
  rim: number;
  peak: number;
};

/** Pieces of one scratch lie no farther apart than this. */
const JOIN_PX = 24;

const near = (a: Blob, b: Blob, gap: number) => a.x0 - gap <= b.x1 && b.x0 - gap <= a.x1 && a.y0 - gap <= b.y1 && b.y0 - gap <= a.y1;

/** Whether two pieces fill their common box well enough to be of one flaw. */
const isOne = (a: Blob, b: Blob): boolean => {
  const size = (x0: number, y0: number, x1: number, y1: number) => (x1 - x0 + 1) * (y1 - y0 + 1);
  const both = size(Math.min(a.x0, b.x0), Math.min(a.y0, b.y0), Math.max(a.x1, b.x1), Math.max(a.y1, b.y1));
  return both <= 7 * (size(a.x0, a.y0, a.x1, a.y1) + size(b.x0, b.y0, b.x1, b.y1)) + JOIN_PX ** 2;
};

/** Pieces of one flaw are one flaw: those that lie close together are joined. */
const joined = (blobs: Blob[]): Blob[] => {
  const all = [...blobs];
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < all.length && !again; i += 1)
      for (let j = i + 1; j < all.length && !again; j += 1)
        if (near(all[i]!, all[j]!, JOIN_PX) && isOne(all[i]!, all[j]!)) {
          const [a, b] = [all[i]!, all[j]!];
          all[i] = {
            label: a.label,
            x0: Math.min(a.x0, b.x0),
            y0: Math.min(a.y0, b.y0),
            x1: Math.max(a.x1, b.x1),
            y1: Math.max(a.y1, b.y1),
            area: a.area + b.area,
            sum: a.sum + b.sum,
            far: a.far + b.far,
            rim: a.rim + b.rim,
            peak: Math.max(a.peak, b.peak),
          };
          all.splice(j, 1);
          again = true;
        }
  }
  return all;
};

/** What stands out of everything that is near it in the other picture; what is only shifted a little does not. */
const difference = (cv: Cv, bin: Bin, aligned: Mat, b: Mat, slack: number): Mat => {
  const [sa, sb] = [aligned, b].map((mat) => {
    const soft = bin.keep(new cv.Mat());
    cv.GaussianBlur(mat, soft, new cv.Size(0, 0), 1.3);
    return soft;
  }) as [Mat, Mat];
  const around = bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * slack + 1, 2 * slack + 1)));
  const [high, low, more, less] = [0, 0, 0, 0].map(() => bin.keep(new cv.Mat())) as [Mat, Mat, Mat, Mat];
  cv.dilate(sa, high, around);
  cv.erode(sa, low, around);
  cv.subtract(sb, high, more);
  cv.subtract(low, sb, less);
  cv.max(more, less, more);
  // Where the first picture is full of edges, what is left of a shift is larger.
  const wide = bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(9, 9)));
  cv.dilate(sa, high, wide);
  cv.erode(sa, low, wide);
  cv.subtract(high, low, high);
  high.convertTo(high, cv.CV_8U, EDGES_EXCUSE, 0);
  cv.subtract(more, high, more);
  return more;
};

/** How far about a difference its surroundings reach, px. */
const ABOUT_PX = 4;

/**
 * Whether both pictures show the same thing where they differ, only in another light: a rail in the sun before a boat in the
 * shade. Judged over the difference and what is next to it, not over the box, most of which may be something else.
 */
const sameThere = (cv: Cv, labels: Mat, label: number, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob): boolean => {
  const [left, top] = [Math.max(0, x0 - ABOUT_PX), Math.max(0, y0 - ABOUT_PX)];
  const [right, bottom] = [Math.min(one.cols, x1 + ABOUT_PX + 1), Math.min(one.rows, y1 + ABOUT_PX + 1)];
  const [w, h] = [right - left, bottom - top];
  const bin = new Bin();
  try {
    const mask = bin.keep(new cv.Mat(h, w, cv.CV_8U));
    const of = labels.data32S;
    for (let y = 0; y < h; y += 1)
      for (let x = 0; x < w; x += 1) mask.data[y * w + x] = of[(top + y) * one.cols + left + x] === label ? 255 : 0;
    cv.dilate(mask, mask, bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(2 * ABOUT_PX + 1, 2 * ABOUT_PX + 1))));
    const [p, q, m] = [one.data, other.data, mask.data] as [Uint8Array, Uint8Array, Uint8Array];
    let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
    for (let y = 0; y < h; y += 1)
      for (let x = 0; x < w; x += 1) {
        if (!m[y * w + x]) continue;
        const i = (top + y) * one.cols + left + x;
        const [a, b] = [p[i]!, q[i]!];
        n += 1;
        sa += a;
        sb += b;
        saa += a * a;
        sbb += b * b;
        sab += a * b;
      }
    const [va, vb] = [saa / n - (sa / n) ** 2, sbb / n - (sb / n) ** 2];
    return vb >= TELLING ** 2 && (sab / n - (sa / n) * (sb / n)) / Math.sqrt(Math.max(1, va * vb)) >= SAME_ALIKE;
  } finally {
    bin.empty();
  }
};

/** Whether what one picture shows at a place stands only a little elsewhere in the other: a post or a fender before the boat. */
const movedFrom = (cv: Cv, one: Mat, other: Mat, { x0, y0, x1, y1 }: Blob): boolean => {
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
    if (spread.data64F[0]! < TELLING) return false;
    const field = bin.keep(other.roi(new cv.Rect(l, t, r - l, d - t)));
    const found = bin.keep(new cv.Mat());
    cv.matchTemplate(field, patch, found, cv.TM_CCOEFF_NORMED);
    const none = bin.keep(new cv.Mat());
    const { maxVal, maxLoc } = cv.minMaxLoc(found, none) as unknown as { maxVal: number; maxLoc: { x: number; y: number } };
    if (maxVal < MOVED_ALIKE) return false;
    // What looks like it over there has to be gone from there: a rivet like any other has not moved.
    const there = new cv.Rect(l + maxLoc.x, t + maxLoc.y, right - left, bottom - top);
    cv.matchTemplate(bin.keep(one.roi(there)), bin.keep(other.roi(there)), found, cv.TM_CCOEFF_NORMED);
    return found.data32F[0]! < STAYED_ALIKE;
  } finally {
    bin.empty();
  }
};

/** What is usual over the boat, so that a rough surface or a restless light asks for more than a calm one. */
const usualOf = (heat: Uint8Array, allowed: Uint8Array): number => {
  const counts = new Uint32Array(256);
  let n = 0;
  for (let i = 0; i < heat.length; i += 2)
    if (allowed[i]) {
      counts[heat[i]!]! += 1;
      n += 1;
    }
  let [seen, v] = [0, 0];
  while (v < 255 && (seen += counts[v]!) < 0.97 * n) v += 1;
  return v;
};

type Look = {
  heat: Mat;
  /** The same with more slack. */
  far: Uint8Array;
  allowed: Uint8Array;
  aligned: Mat;
  b: Mat;
  /** The first picture laid over the second, in its own light. */
  lit: Uint8Array;
};

const boxesOf = (cv: Cv, bin: Bin, { heat, far, allowed, aligned, b, lit }: Look): Found[] => {
  const { cols, rows } = heat;
  const data = heat.data as Uint8Array;
  for (let i = 0; i < data.length; i += 1) if (!allowed[i]) data[i] = 0;
  const core = Math.max(CORE, Math.min(34, 10 + 3 * usualOf(data, allowed)));
  const edges = bin.keep(new cv.Mat());
  cv.threshold(heat, edges, Math.max(EDGE, core * 0.45), 255, cv.THRESH_BINARY);
  const [labels, stats, centres] = [bin.keep(new cv.Mat()), bin.keep(new cv.Mat()), bin.keep(new cv.Mat())];
  const count = cv.connectedComponentsWithStats(edges, labels, stats, centres, 8);
  const blobs: Blob[] = Array.from({ length: count }, (_, label) => ({
    label,
    x0: cols,
    y0: rows,
    x1: 0,
    y1: 0,
    area: 0,
    sum: 0,
    far: 0,
    rim: 0,
    peak: 0,
  }));
  const of = labels.data32S;
  for (let y = 0, i = 0; y < rows; y += 1)
    for (let x = 0; x < cols; x += 1, i += 1) {
      if (of[i] === 0) continue;
      const blob = blobs[of[i]!]!;
      const v = data[i]!;
      blob.x0 = Math.min(blob.x0, x);
      blob.x1 = Math.max(blob.x1, x);
      blob.y0 = Math.min(blob.y0, y);
      blob.y1 = Math.max(blob.y1, y);
      blob.area += 1;
      blob.sum += v;
      blob.far += far[i]!;
      if (!allowed[i - RIM_PX] || !allowed[i + RIM_PX] || !allowed[i - RIM_PX * cols] || !allowed[i + RIM_PX * cols]) blob.rim += 1;
      blob.peak = Math.max(blob.peak, v);
    }
  const bright = b.data as Uint8Array;
  const standing = blobs
    .slice(1)
    .filter((blob) => blob.area >= 6 && blob.peak >= core && blob.far >= STANDS_OUT * blob.sum && blob.rim <= AT_RIM * blob.area)
    .filter(
      (blob) =>
        !sameThere(cv, labels, blob.label, b, aligned, blob) && !movedFrom(cv, b, aligned, blob) && !movedFrom(cv, aligned, b, blob),
    );
  return (
    joined(standing)
      .filter(
        ({ x0, x1, y0, y1, area, sum }) => Math.max(x1 - x0, y1 - y0) >= LEAST_SIDE_PX && area >= LEAST_PX && sum >= LEAST_PX * core * 0.7,
      )
      // A veil over half the boat is light, not damage.
      .filter(({ x0, x1, y0, y1, area }) => (x1 - x0) * (y1 - y0) < VEIL_PX2 || area > VEILED * (x1 - x0) * (y1 - y0))
      .filter(({ x0, x1, y0, y1 }) => {
        // Small and blown out: the sun in a drop of water, not a flaw.
        if (Math.max(x1 - x0, y1 - y0) > GLINT_PX) return true;
        let blown = 0;
        for (let y = y0; y <= y1; y += 1)
          for (let x = x0; x <= x1; x += 1) if (Math.max(bright[y * cols + x]!, lit[y * cols + x]!) >= BLOWN) blown += 1;
        return blown < 0.25 * (x1 - x0 + 1) * (y1 - y0 + 1);
      })
      .map(({ x0, x1, y0, y1, sum, peak }) => ({
        x: x0,
        y: y0,
        width: x1 - x0 + 1,
        height: y1 - y0 + 1,
        strength: Math.round(Math.min(1, (peak / 90) * 0.5 + Math.min(1, sum / 6000) * 0.5) * 1000) / 1000,
      }))
      .filter(({ strength }) => strength >= FAINT)
      .sort((p, q) => q.strength - p.strength)
      .slice(0, MOST_BOXES)
  );
};

const flipped = ({ width, height, data }: Grey): Grey => {
  const out = new Uint8Array(data.length);
  for (let y = 0; y < height; y += 1) for (let x = 0; x < width; x += 1) out[y * width + x] = data[y * width + width - 1 - x]!;
  return { width, height, data: out };
};

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
    const { aligned, valid, flow } = align(cv, bin, a, b, placed.homography);
    const boat = outline(cv, bin, placed, aligned, b, valid, flow);
    const lit = Uint8Array.from(aligned.data as Uint8Array);
    relight(cv, bin, aligned, b, boat);
    const [cw, scale] = [COARSE_AT_PX, COARSE_AT_PX / back.width];
    const ok = valid.data as Uint8Array;
    const coarse = (i: number) => Math.floor(Math.floor(i / back.width) * scale) * cw + Math.floor((i % back.width) * scale);
    recurve(aligned, b, (i) => ok[i] !== 0 && boat[coarse(i)] !== 0);
    const alike = alikeOf(cv, bin, aligned, b, boat);
    if (alike < BOAT_ALIKE) return refused('otherBoat', placed.inliers);
    const heat = difference(cv, bin, aligned, b, SLACK_PX);
    const far = difference(cv, bin, aligned, b, NEAR_PX).data as Uint8Array;
    const allowed = new Uint8Array(ok.length);
    for (let y = 0, i = 0; y < back.height; y += 1)
      for (let x = 0; x < back.width; x += 1, i += 1) {
        const [cx, cy] = [Math.min(cw - 1, Math.floor(x * scale)), Math.floor(y * scale)];
        allowed[i] = ok[i] && boat[cy * cw + cx] ? 1 : 0;
      }
    const boxes = boxesOf(cv, bin, { heat, far, allowed, aligned, b, lit });
    return {
      comparable: true,
      inliers: placed.inliers,
      alike,
      boxes,
      aligned: Uint8Array.from(aligned.data as Uint8Array),
      heat: Uint8Array.from(heat.data as Uint8Array),
    };
  } finally {
    bin.empty();
  }
};
