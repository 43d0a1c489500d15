import type { Chance } from '@quay/core/number/chance';
import sharp from 'sharp';
import { MM, type Raster, SIDE } from './paint';

/** Photographs of a painted side: a pinhole camera before a bulging hull, a rail between them, light and weather. */

export type Camera = { x: number; y: number; z: number; yaw: number; pitch: number; roll: number; focal: number };

/** Metres: the side stands at z = 0 and bulges towards the camera, which stands at z < 0. The middle of the side is 0, 0. */
export const LENGTH_M = (SIDE.width * MM) / 1000;
export const HEIGHT_M = (SIDE.height * MM) / 1000;
/** How far the side falls back at its ends and towards the water. */
const bulge = (u: number, v: number) => 0.34 * (u / (LENGTH_M / 2)) ** 2 + 0.1 * (v / (HEIGHT_M / 2)) ** 2;

export const cameraNear = (c: Chance, of: { middle: number; distance: number }): Camera => ({
  x: of.middle + c.normal() * 0.14,
  y: c.normal() * 0.1,
  z: -of.distance + c.normal() * 0.14,
  yaw: c.normal() * 0.035,
  pitch: c.normal() * 0.03,
  roll: c.normal() * 0.022,
  focal: 1180,
});

export const SIZE = { width: 1600, height: 1200 };

/** Cosines and sines of how a camera is turned: roll, yaw, pitch. */
const turnOf = ({ roll, yaw, pitch }: Camera): [number, number, number, number, number, number] => [
  Math.cos(roll),
  Math.sin(roll),
  Math.cos(yaw),
  Math.sin(yaw),
  Math.cos(pitch),
  Math.sin(pitch),
];

/** Where the rays of pixels go: they are linear in the pixel, so one direction and its two changes say it all. */
const raysOf = (camera: Camera) => {
  const [cr, sr, cy, sy, cp, sp] = turnOf(camera);
  const at = (px: number, py: number): [number, number, number] => {
    const [a, b] = [(px - SIZE.width / 2) / camera.focal, (py - SIZE.height / 2) / camera.focal];
    const [x1, y1] = [a * cr - b * sr, a * sr + b * cr];
    const [y2, z2] = [y1 * cp - sp, y1 * sp + cp];
    return [x1 * cy + z2 * sy, y2, -x1 * sy + z2 * cy];
  };
  const [o, x, y] = [at(0, 0), at(1, 0), at(0, 1)];
  return { o, byX: x.map((v, k) => v - o[k]!), byY: y.map((v, k) => v - o[k]!) };
};

/** The pixel at which a point of the world is seen. */
export const seen = (camera: Camera, [x, y, z]: readonly [number, number, number]): [number, number] => {
  const [cr, sr, cy, sy, cp, sp] = turnOf(camera);
  const [dx, dy, dz] = [x - camera.x, y - camera.y, z - camera.z];
  const [x1, z1] = [dx * cy - dz * sy, dx * sy + dz * cy];
  const [y1, z2] = [dy * cp + z1 * sp, -dy * sp + z1 * cp];
  const [x2, y2] = [x1 * cr + y1 * sr, -x1 * sr + y1 * cr];
  return [SIZE.width / 2 + (camera.focal * x2) / z2, SIZE.height / 2 + (camera.focal * y2) / z2];
};

/** Posts and a rail that stand between the camera and the side, m. */
export type Rail = { z: number; top: number; posts: number[]; fenders: number[]; shade: number };

/** What is different each time: light, wet, shadow, haste. */
export type Weather = {
  gain: readonly [number, number, number];
  gamma: number;
  shadow: { at: number; lean: number; soft: number; dark: number } | undefined;
  wet: { from: number; dark: number } | undefined;
  shimmer: { size: number; phase: number; high: number; fast: number };
  blur: number;
  noise: number;
  glints: { x: number; y: number; r: number }[];
};

export const weather = (c: Chance): Weather => {
  const gain = c.within(0.78, 1.28);
  return {
    gain: [gain * c.within(0.95, 1.05), gain, gain * c.within(0.95, 1.05)],
    gamma: c.within(0.9, 1.12),
    shadow:
      c.next() < 0.6
        ? { at: c.within(-1.4, 1.4), lean: c.within(-0.8, 0.8), soft: c.within(0.02, 0.2), dark: c.within(0.55, 0.8) }
        : undefined,
    wet: c.next() < 0.4 ? { from: c.within(0.3, 0.9), dark: c.within(0.78, 0.92) } : undefined,
    shimmer: { size: c.within(0.01, 0.05), phase: c.next() * 6, high: c.within(9, 16), fast: c.within(3, 7) },
    blur: c.within(0.3, 1.1),
    noise: c.within(1.5, 4.5),
    glints: Array.from({ length: Math.floor(c.next() * 4) }, () => ({
      x: c.next() * SIZE.width,
      y: c.next() * SIZE.height,
      r: c.within(3, 9),
    })),
  };
};

export const photograph = async (
  side: Raster,
  behind: Raster,
  rail: Rail,
  camera: Camera,
  light: Weather,
  c: Chance,
  shift: number,
): Promise<Raster> => {
  const { width, height } = SIZE;
  const data = Buffer.alloc(width * height * 3);
  const { o, byX, byY } = raysOf(camera);
  // The same light for the same brightness: looked up rather than computed for every dot.
  const curve = light.gain.map((gain) => Float32Array.from({ length: 256 }, (_, v) => 255 * Math.min(1, gain * (v / 255)) ** light.gamma));
  const [curveR, curveG, curveB] = curve as [Float32Array, Float32Array, Float32Array];
  const grain = Float32Array.from({ length: 4096 }, () => c.normal() * light.noise);
  const { posts, fenders, top, shade } = rail;
  const [halfL, halfH] = [LENGTH_M / 2, HEIGHT_M / 2];
  const [ku, kv] = [0.34 / halfL ** 2, 0.1 / halfH ** 2];
  const { data: paint, width: pw, height: ph } = side;
  const row = pw * 3;
  const { shadow, wet, shimmer } = light;
  let g = 0;
  for (let y = 0; y < height; y += 1)
    for (let x = 0, p = y * width * 3; x < width; x += 1, p += 3) {
      const dz = o[2] + x * byX[2]! + y * byY[2]!;
      const dx = (o[0] + x * byX[0]! + y * byY[0]!) / dz;
      const dy = (o[1] + x * byX[1]! + y * byY[1]!) / dz;
      const tr = rail.z - camera.z;
      const [rx, ry] = [camera.x + tr * dx, camera.y + tr * dy];
      let [r, gr, b] = [-1, 0, 0];
      if (ry > top - 0.018 && ry < top + 0.63) {
        let on = ry < top + 0.017;
        for (let k = 0; k < posts.length && !on; k += 1) on = ry < top + 0.62 && rx - posts[k]! < 0.015 && posts[k]! - rx < 0.015;
        if (on) [r, gr, b] = [shade, shade * 1.01, shade * 1.02];
        for (let k = 0; k < fenders.length && r < 0; k += 1) {
          const [fx, fy] = [(rx - fenders[k]!) / 0.085, (ry - top - 0.36) / 0.24];
          if (fx * fx + fy * fy < 1) {
            const round = 1 - 0.45 * fx * fx;
            [r, gr, b] = [210 * round, 214 * round, 205 * round];
          }
        }
      }
      let lit = 1;
      if (r < 0) {
        // Three steps towards the bulging side; it is nearly flat, so that is to a tenth of a millimetre.
        let t = -camera.z;
        for (let i = 0; i < 3; i += 1) t = ku * (camera.x + t * dx) ** 2 + kv * (camera.y + t * dy) ** 2 - camera.z;
        const [u, v] = [camera.x + t * dx, camera.y + t * dy];
        const [sx, sy] = [(u / LENGTH_M + 0.5) * pw - 0.5, (v / HEIGHT_M + 0.5) * ph - 0.5];
        if (sx >= 0 && sy >= 0 && sx < pw - 1 && sy < ph - 1) {
          const [ix, iy] = [Math.floor(sx), Math.floor(sy)];
          const [fx, fy] = [sx - ix, sy - iy];
          const [w0, w1, w2, w3] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
          const q = iy * row + ix * 3;
          r = paint[q]! * w0 + paint[q + 3]! * w1 + paint[q + row]! * w2 + paint[q + row + 3]! * w3;
          gr = paint[q + 1]! * w0 + paint[q + 4]! * w1 + paint[q + row + 1]! * w2 + paint[q + row + 4]! * w3;
          b = paint[q + 2]! * w0 + paint[q + 5]! * w1 + paint[q + row + 2]! * w2 + paint[q + row + 5]! * w3;
          // Rounder at the ends, and darker there.
          lit = 1 - 0.22 * (u / halfL) ** 2;
          if (shadow) lit *= 1 - (1 - shadow.dark) / (1 + Math.exp((-4 * (u - shadow.at - shadow.lean * v)) / shadow.soft));
          if (wet && v > HEIGHT_M * (wet.from - 0.5) + 0.05 * Math.sin(u * 9)) lit *= wet.dark;
          // Light thrown up by the water, more of it low down.
          const low = v / HEIGHT_M + 0.5;
          if (low > 0)
            lit *=
              1 +
              shimmer.size *
                low *
                (Math.sin(u * shimmer.fast + shimmer.phase + 2 * Math.sin(v * shimmer.high)) +
                  0.6 * Math.sin(u * 2.3 * shimmer.fast - shimmer.phase));
        } else {
          // Far away: it moves by the turn of the camera, hardly by where it stands.
          const bx = Math.floor(behind.width * (0.5 + 0.33 * dx) + shift);
          const by = Math.min(behind.height - 1, Math.max(0, Math.floor(behind.height * (0.42 + 0.42 * dy))));
          const q = (by * behind.width + (((bx % behind.width) + behind.width) % behind.width)) * 3;
          [r, gr, b] = [behind.data[q]!, behind.data[q + 1]!, behind.data[q + 2]!];
        }
      }
      g = (g + 1 + (x & 1)) & 4095;
      const k = (g * 31 + y * 17) & 4095;
      data[p] = Math.max(0, Math.min(255, curveR[Math.max(0, Math.min(255, Math.round(r * lit)))]! + grain[k]!));
      data[p + 1] = Math.max(0, Math.min(255, curveG[Math.max(0, Math.min(255, Math.round(gr * lit)))]! + grain[(k + 1031) & 4095]!));
      data[p + 2] = Math.max(0, Math.min(255, curveB[Math.max(0, Math.min(255, Math.round(b * lit)))]! + grain[(k + 2063) & 4095]!));
    }
  for (const { x, y, r } of light.glints)
    for (let gy = Math.max(0, Math.floor(y - r)); gy < Math.min(height, y + r); gy += 1)
      for (let gx = Math.max(0, Math.floor(x - r)); gx < Math.min(width, x + r); gx += 1)
        if ((gx - x) ** 2 + (gy - y) ** 2 < r * r) data.fill(254, (gy * width + gx) * 3, (gy * width + gx) * 3 + 3);
  // As a phone keeps it: a little soft, packed and unpacked.
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .blur(Math.max(0.3, light.blur))
    .jpeg({ quality: 86 })
    .toBuffer();
  const { data: kept, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: kept };
};

export const railOf = (c: Chance): Rail => {
  const first = c.within(-2.6, -1.8);
  return {
    z: -c.within(0.12, 0.3),
    top: c.within(-0.95, -0.75),
    posts: Array.from({ length: 5 }, (_, i) => first + i * 1.15),
    fenders: Array.from({ length: 1 + Math.floor(c.next() * 2) }, () => c.within(-1.8, 1.8)),
    shade: c.within(160, 225),
  };
};

/** Where a place of the painted side is in the world, m. */
export const worldOf = (x: number, y: number): [number, number, number] => {
  const [u, v] = [(x / SIDE.width - 0.5) * LENGTH_M, (y / SIDE.height - 0.5) * HEIGHT_M];
  return [u, v, bulge(u, v)];
};
