import type { Chance } from '@quay/core/number/chance';
import sharp from 'sharp';
import type { Raster } from '../madeUp/paint';
import { SURFACE } from './surface';

/** Photographs of a surface: from somewhere, with things before and behind it, in some light. */

export const SEEN = { width: 1600, height: 1200 };

/** Something that varies slowly from place to place, -1 to 1: how near a surface is, where shade falls. */
const field = (c: Chance, cells: number): ((u: number, v: number) => number) => {
  const side = cells + 2;
  const at = Float32Array.from({ length: side * side }, () => c.within(-1, 1));
  const ease = (t: number) => t * t * (3 - 2 * t);
  return (u, v) => {
    const [x, y] = [Math.max(0, Math.min(0.9999, u)) * cells, Math.max(0, Math.min(0.9999, v)) * cells];
    const [ix, iy] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [ease(x - ix), ease(y - iy)];
    const i = iy * side + ix;
    return (at[i]! * (1 - fx) + at[i + 1]! * fx) * (1 - fy) + (at[i + side]! * (1 - fx) + at[i + side + 1]! * fx) * fy;
  };
};

/** What stands there each time: how near each place of the surface is, posts before it, what is seen over its upper edge. */
export type Setting = {
  near: (u: number, v: number) => number;
  posts: { x: number; width: number; shade: number }[];
  rail: { y: number; width: number; shade: number } | undefined;
  behind: { raster: Raster; edge: number; slope: number } | undefined;
};

export const settingOf = async (c: Chance, behind: () => Promise<Raster>): Promise<Setting> => ({
  near: field(c, 3),
  posts:
    c.next() < 0.4
      ? Array.from({ length: 1 + Math.floor(c.next() * 3) }, () => ({
          x: c.within(0, SURFACE.width),
          width: c.within(18, 60),
          shade: c.within(50, 220),
        }))
      : [],
  rail: c.next() < 0.25 ? { y: c.within(0.1, 0.9) * SURFACE.height, width: c.within(14, 40), shade: c.within(60, 220) } : undefined,
  behind:
    c.next() < 0.3 ? { raster: await behind(), edge: c.within(0.12, 0.26) * SURFACE.height, slope: c.within(-0.06, 0.06) } : undefined,
});

/** From where: a plane-to-plane map from the photograph onto the surface, and how far near and far things are shifted by it, px. */
export type View = { map: number[]; shift: readonly [number, number]; posts: readonly [number, number]; behind: number };

/** The plane-to-plane map that takes four corners to four places. */
const mapOf = (to: readonly (readonly [number, number])[]): number[] => {
  // From the unit square (Heckbert 1989), then from px to it.
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = to as [[number, number], [number, number], [number, number], [number, number]];
  const [dx1, dx2, sx] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sy] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const under = dx1 * dy2 - dx2 * dy1;
  const [g, h] = [(sx * dy2 - dx2 * sy) / under, (dx1 * sy - sx * dy1) / under];
  const unit = [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
  const [w, t] = [SEEN.width - 1, SEEN.height - 1];
  return unit.map((v, i) => (i % 3 === 0 ? v / w : i % 3 === 1 ? v / t : v));
};

/** @param how by how much somebody stands elsewhere each time, 1 as usual */
export const viewOf = (c: Chance, how = 1): View => {
  const scale = c.within(0.96, 1.04);
  const [w, h] = [(SURFACE.width * 0.9 * scale) / 2, (SURFACE.height * 0.9 * scale) / 2];
  const [mx, my] = [SURFACE.width / 2 + c.normal() * 18 * how, SURFACE.height / 2 + c.normal() * 14 * how];
  const turn = c.normal() * 0.018 * how;
  const corners = (
    [
      [-w, -h],
      [w, -h],
      [w, h],
      [-w, h],
    ] as const
  ).map(([x, y]) => {
    const [a, b] = [x + c.normal() * 17 * how, y + c.normal() * 13 * how];
    return [mx + a * Math.cos(turn) - b * Math.sin(turn), my + a * Math.sin(turn) + b * Math.cos(turn)] as const;
  });
  return {
    map: mapOf(corners),
    shift: [c.normal() * 7 * how, c.normal() * 4 * how],
    posts: [c.normal() * 26 * how, c.normal() * 5 * how],
    behind: c.normal() * 40 * how,
  };
};

/** Light, wet and haste. */
type Light = {
  gain: readonly number[];
  gamma: number;
  lean: readonly [number, number];
  shade: { of: (u: number, v: number) => number; above: number; soft: number; dark: number } | undefined;
  edge: { at: number; lean: number; soft: number; dark: number } | undefined;
  wet: { from: number; dark: number; wave: number } | undefined;
  sheen: { at: number; wide: number; lean: number; bright: number } | undefined;
  blur: number;
  noise: number;
  quality: number;
  glints: { x: number; y: number; r: number }[];
};

export const lightOf = (c: Chance): Light => {
  const gain = c.within(0.74, 1.3);
  const often = (share: number) => c.next() < share;
  return {
    gain: [gain * c.within(0.94, 1.06), gain, gain * c.within(0.94, 1.06)],
    gamma: c.within(0.87, 1.15),
    lean: [c.within(-0.16, 0.16), c.within(-0.12, 0.12)],
    shade: often(0.22) ? { of: field(c, 7), above: c.within(0.1, 0.4), soft: c.within(0.05, 0.25), dark: c.within(0.55, 0.85) } : undefined,
    edge: often(0.45)
      ? { at: c.within(0.15, 0.85), lean: c.within(-0.5, 0.5), soft: c.within(0.004, 0.05), dark: c.within(0.5, 0.82) }
      : undefined,
    wet: often(0.3) ? { from: c.within(0.5, 0.9), dark: c.within(0.7, 0.92), wave: c.within(4, 14) } : undefined,
    sheen: often(0.3) ? { at: c.next(), wide: c.within(0.05, 0.25), lean: c.within(-0.6, 0.6), bright: c.within(10, 45) } : undefined,
    blur: c.within(0.3, 1.3),
    noise: c.within(1.5, 5),
    quality: Math.round(c.within(74, 93)),
    glints: often(0.3)
      ? Array.from({ length: 1 + Math.floor(c.next() * 4) }, () => ({
          x: c.next() * SEEN.width,
          y: c.next() * SEEN.height,
          r: c.within(3, 9),
        }))
      : [],
  };
};

/** Which of the surface's places each pixel shows; posts and what lies behind have none. */
type Shown = { x: Float32Array; y: Float32Array; what: Uint8Array };
const [SIDE, POST, BEHIND] = [0, 1, 2];

const shownOf = ({ near, posts, rail, behind }: Setting, { map, shift, posts: by }: View): Shown => {
  const { width, height } = SEEN;
  const [x, y, what] = [new Float32Array(width * height), new Float32Array(width * height), new Uint8Array(width * height)];
  const [m0 = 0, m1 = 0, m2 = 0, m3 = 0, m4 = 0, m5 = 0, m6 = 0, m7 = 0, m8 = 1] = map;
  for (let py = 0, i = 0; py < height; py += 1)
    for (let px = 0; px < width; px += 1, i += 1) {
      const w = m6 * px + m7 * py + m8;
      const [sx, sy] = [(m0 * px + m1 * py + m2) / w, (m3 * px + m4 * py + m5) / w];
      const [bx, bY] = [sx + by[0], sy + by[1]];
      if (posts.some((post) => Math.abs(bx - post.x) < post.width / 2) || (rail && Math.abs(bY - rail.y) < rail.width / 2)) {
        [x[i], y[i], what[i]] = [bx, bY, POST];
        continue;
      }
      const depth = near(sx / SURFACE.width, sy / SURFACE.height);
      const [u, v] = [sx + depth * shift[0], sy + depth * shift[1]];
      [x[i], y[i]] = [u, v];
      what[i] = behind && v < behind.edge + behind.slope * (u - SURFACE.width / 2) ? BEHIND : SIDE;
    }
  return { x, y, what };
};

/** Boxes of what has been laid into the surface, as a photograph shows it. */
const boxesIn = (
  { x, y, what }: Shown,
  ids: Uint8Array,
): Map<number, { x: number; y: number; width: number; height: number; area: number }> => {
  const found = new Map<number, { x0: number; y0: number; x1: number; y1: number; area: number }>();
  for (let i = 0; i < x.length; i += 1) {
    if (what[i] !== SIDE) continue;
    const [sx, sy] = [Math.round(x[i]!), Math.round(y[i]!)];
    if (sx < 0 || sy < 0 || sx >= SURFACE.width || sy >= SURFACE.height) continue;
    const id = ids[sy * SURFACE.width + sx]!;
    if (id === 0) continue;
    const [px, py] = [i % SEEN.width, Math.floor(i / SEEN.width)];
    const one = found.get(id) ?? { x0: px, y0: py, x1: px, y1: py, area: 0 };
    found.set(id, {
      ...{ x0: Math.min(one.x0, px), x1: Math.max(one.x1, px), y0: Math.min(one.y0, py), y1: Math.max(one.y1, py) },
      area: one.area + 1,
    });
  }
  return new Map([...found].map(([id, { x0, y0, x1, y1, area }]) => [id, { x: x0, y: y0, width: x1 - x0 + 1, height: y1 - y0 + 1, area }]));
};

const wrap = (v: number, size: number): number => ((Math.floor(v) % size) + size) % size;

/**
 * A photograph of a surface, and where what was laid into it is seen.
 * @param ids which flaw each place of the surface belongs to
 */
export const photographSurface = async (
  surface: Raster,
  ids: Uint8Array | undefined,
  setting: Setting,
  view: View,
  light: Light,
  c: Chance,
): Promise<{ photo: Raster; boxes: ReturnType<typeof boxesIn> }> => {
  const { width, height } = SEEN;
  const shown = shownOf(setting, view);
  const data = Buffer.alloc(width * height * 3);
  const { data: from } = surface;
  const row = SURFACE.width * 3;
  const curves = light.gain.map((gain) => Float32Array.from({ length: 512 }, (_, v) => 255 * Math.min(1, gain * (v / 255)) ** light.gamma));
  const grain = Float32Array.from({ length: 8192 }, () => c.normal() * light.noise);
  const back = setting.behind?.raster;
  const pixel = [0, 0, 0];
  let g = 0;
  for (let i = 0, p = 0; i < width * height; i += 1, p += 3) {
    const [px, py] = [i % width, Math.floor(i / width)];
    const [sx, sy] = [shown.x[i]!, shown.y[i]!];
    const [u, v] = [sx / SURFACE.width, sy / SURFACE.height];
    let sheen = 0;
    let lit = 1 + light.lean[0] * (px / width - 0.5) * 2 + light.lean[1] * (py / height - 0.5) * 2;
    if (shown.what[i] === POST) {
      const { posts, rail } = setting;
      const ways = [
        ...posts.map((post) => ({ shade: post.shade, across: (sx - post.x) / (post.width / 2) })),
        ...(rail ? [{ shade: rail.shade, across: (sy - rail.y) / (rail.width / 2) }] : []),
      ];
      // Whichever it lies on; what is rounded may lie a hair beside it.
      const on = ways.reduce((best, one) => (Math.abs(one.across) < Math.abs(best.across) ? one : best));
      const shade = on.shade * (1 - 0.5 * Math.min(1, on.across * on.across));
      pixel[0] = shade;
      pixel[1] = shade * 1.01;
      pixel[2] = shade * 0.98;
    } else if (shown.what[i] === BEHIND) {
      const q = (wrap(sy * 0.8, back!.height) * back!.width + wrap(sx * 0.8 + view.behind, back!.width)) * 3;
      for (let k = 0; k < 3; k += 1) pixel[k] = back!.data[q + k]!;
    } else {
      const [cx, cy] = [Math.max(0, Math.min(SURFACE.width - 1.01, sx)), Math.max(0, Math.min(SURFACE.height - 1.01, sy))];
      const [ix, iy] = [Math.floor(cx), Math.floor(cy)];
      const [fx, fy] = [cx - ix, cy - iy];
      const q = iy * row + ix * 3;
      const [w0, w1, w2, w3] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
      for (let k = 0; k < 3; k += 1)
        pixel[k] = from[q + k]! * w0 + from[q + 3 + k]! * w1 + from[q + row + k]! * w2 + from[q + row + 3 + k]! * w3;
      const { shade, edge, wet } = light;
      if (edge) lit *= 1 - (1 - edge.dark) / (1 + Math.exp((-4 * (u - edge.at - edge.lean * (v - 0.5))) / edge.soft));
      if (shade) lit *= 1 - (1 - shade.dark) / (1 + Math.exp((-4 * (shade.of(u, v) - shade.above)) / shade.soft));
      if (wet && v > wet.from + 0.012 * Math.sin(u * wet.wave)) lit *= wet.dark;
      if (light.sheen)
        sheen = light.sheen.bright * Math.exp(-(((u - light.sheen.at - light.sheen.lean * (v - 0.5)) / light.sheen.wide) ** 2));
    }
    if (px === 0) g = Math.floor(c.next() * 8192);
    g = (g + 1) & 8191;
    for (let k = 0; k < 3; k += 1) {
      const value = curves[k]![Math.max(0, Math.min(511, Math.round(pixel[k]! * lit + sheen)))]! + grain[(g + k * 2731) & 8191]!;
      data[p + k] = Math.max(0, Math.min(255, Math.round(value)));
    }
  }
  for (const { x, y, r } of light.glints)
    for (let gy = Math.max(0, Math.floor(y - r)); gy < Math.min(height, y + r); gy += 1)
      for (let gx = Math.max(0, Math.floor(x - r)); gx < Math.min(width, x + r); gx += 1)
        if ((gx - x) ** 2 + (gy - y) ** 2 < r * r) data.fill(254, (gy * width + gx) * 3, (gy * width + gx) * 3 + 3);
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .blur(light.blur)
    .jpeg({ quality: light.quality })
    .toBuffer();
  const { data: kept } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
  return { photo: { width, height, data: kept }, boxes: ids ? boxesIn(shown, ids) : new Map<number, never>() };
};

/** Which flaws a view shows: whole enough that nobody could miss where they are. */
export const shownShare = (boxes: ReturnType<typeof boxesIn>, ids: Uint8Array): Map<number, number> => {
  const areas = new Map<number, number>();
  for (const id of ids) if (id !== 0) areas.set(id, (areas.get(id) ?? 0) + 1);
  return new Map([...areas].map(([id, area]) => [id, (boxes.get(id)?.area ?? 0) / area]));
};
