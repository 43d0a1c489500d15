import { type Chance, chance } from '@quay/core/testing/chance';
import sharp from 'sharp';

/**
 * Made-up photographs of boats, from a seed: a curved hull with windows, letters, wear and old flaws, a rail in front of it,
 * water and a bank behind it, seen twice by somebody who does not stand in the same place, in another light. What is known of
 * them is what the comparison is judged against. Nothing real is in them.
 */

export type Raster = { width: number; height: number; data: Buffer };
export type Box = { x: number; y: number; width: number; height: number };
export type MadeUpPair = { out: Raster; in: Raster; marks: Box[] };
export type Negative = 'sister' | 'otherSide' | 'mirrored' | 'upsideDown' | 'dark' | 'elsewhere';

/** The side as it is painted, px of its own picture; a pixel is 2.5 mm. */
const SIDE = { width: 2400, height: 1000 };
const MM = 2.5;

const grey = (v: number, tint: readonly [number, number, number]) =>
  `rgb(${tint.map((t) => Math.round(Math.max(0, Math.min(255, v * t)))).join(',')})`;

/** Strokes that look like letters to somebody who cannot read. */
const letters = (c: Chance, x: number, y: number, size: number, count: number, colour: string): string => {
  let out = '';
  for (let i = 0; i < count; i += 1) {
    const at = (dx: number, dy: number) => `${x + i * size * 0.72 + dx * size * 0.5} ${y - dy * size}`;
    const points = Array.from({ length: 3 + Math.floor(c.next() * 3) }, () =>
      at(Math.round(c.next() * 2) / 2, Math.round(c.next() * 2) / 2),
    );
    out += `<path d="M${points.join('L')}" fill="none" stroke="${colour}" stroke-width="${size * 0.14}" stroke-linejoin="round"/>`;
  }
  return out;
};

/** What a class shares: her colours, her windows, her stripes and seams. */
const shapeOf = (classSeed: number) => {
  const c = chance(classSeed * 7919 + 13);
  const tint = c.pick([
    [0.94, 1, 0.97],
    [1, 0.98, 0.93],
    [0.9, 0.97, 1.05],
    [1.05, 0.95, 0.88],
  ] as const);
  const hull = c.within(60, 205);
  const windows = Array.from({ length: 3 + Math.floor(c.next() * 4) }, (_, i) => ({
    x: 260 + i * c.within(300, 420),
    y: c.within(190, 260),
    w: c.within(120, 230),
    h: c.within(70, 120),
    r: c.pick([8, 30, 55]),
  }));
  const stripes = Array.from({ length: 1 + Math.floor(c.next() * 3) }, () => ({
    y: c.within(380, 820),
    h: c.within(8, 40),
    v: c.within(20, 235),
  }));
  const seams = Array.from({ length: 2 + Math.floor(c.next() * 5) }, () => c.within(120, 900));
  const fittings = Array.from({ length: 10 }, () => ({
    x: c.within(100, 2300),
    y: c.within(110, 880),
    r: c.within(6, 20),
    v: c.within(25, 240),
  }));
  return { tint, hull, windows, stripes, seams, fittings };
};

/**
 * An ellipse whose edge is soft: a run of shades rather than a blur, which costs the drawing of a side a hundredfold. Its middle
 * has the whole shade, and it ends 9 px outside where the hard ellipse would.
 */
const soft = (x: number, y: number, rx: number, ry: number, colour: 'dark' | 'light', opacity: number): string =>
  `<ellipse cx="${x}" cy="${y}" rx="${rx + 9}" ry="${ry + 9}" fill="url(#soft-${colour})" opacity="${opacity}"/>`;

/** As a blurred edge falls off, from the middle outwards. */
const SOFT_STOPS: readonly (readonly [at: number, of: number])[] = [
  [0.35, 1],
  [0.5, 0.86],
  [0.65, 0.55],
  [0.8, 0.22],
  [1, 0],
];
const softRun = (id: string, colour: string) =>
  `<radialGradient id="${id}">${SOFT_STOPS.map(([at, of]) => `<stop offset="${at}" stop-color="${colour}" stop-opacity="${of}"/>`).join('')}</radialGradient>`;

type Flaw = { svg: string; box: Box };

/** A flaw on the side, as large as such things are; its box in px of the painted side. */
const flaw = (c: Chance, x: number, y: number, hull: number): Flaw => {
  const dark = hull > 110 ? c.next() < 0.7 : c.next() < 0.15;
  const colour = dark ? grey(Math.max(4, hull - c.within(55, 110)), [1, 1, 1]) : grey(Math.min(252, hull + c.within(55, 110)), [1, 1, 1]);
  const kind = c.next();
  if (kind < 0.5) {
    // A scratch: it wanders a little, and is not as wide everywhere.
    const [length, turn, width] = [c.within(30, 230), c.next() * Math.PI, c.within(4.5, 9)];
    const points = Array.from({ length: 5 }, (_, i) => {
      const at = (i / 4 - 0.5) * length;
      return [x + at * Math.cos(turn) + c.normal() * 3, y + at * Math.sin(turn) + c.normal() * 3] as const;
    });
    const xs = points.map(([px]) => px);
    const ys = points.map(([, py]) => py);
    const box = {
      x: Math.min(...xs) - width / 2,
      y: Math.min(...ys) - width / 2,
      width: Math.max(...xs) - Math.min(...xs) + width,
      height: Math.max(...ys) - Math.min(...ys) + width,
    };
    return {
      svg: `<path d="M${points.map((p) => p.join(' ')).join('L')}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round"/>`,
      box,
    };
  }
  if (kind < 0.85) {
    // A chip or a gouge: a ragged patch.
    const [rx, ry] = [c.within(10, 26), c.within(9, 22)];
    const points = Array.from({ length: 9 }, (_, i) => {
      const turn = (i / 9) * 2 * Math.PI;
      const r = c.within(0.7, 1.15);
      return [x + rx * r * Math.cos(turn), y + ry * r * Math.sin(turn)] as const;
    });
    return {
      svg: `<path d="M${points.map((p) => p.join(' ')).join('L')}Z" fill="${colour}"/>`,
      box: { x: x - rx, y: y - ry, width: 2 * rx, height: 2 * ry },
    };
  }
  // A dent: light from above makes its upper half dark and its lower half light.
  const r = c.within(22, 48);
  const depth = c.within(0.45, 0.7);
  return {
    svg: soft(x, y - r * 0.33, r, r * 0.5, 'dark', depth) + soft(x, y + r * 0.4, r * 0.9, r * 0.4, 'light', depth * 0.75),
    box: { x: x - r, y: y - r * 0.85, width: 2 * r, height: r * 1.7 },
  };
};

/** One boat's side as it was painted and has aged; `extra` are flaws that came since. */
const paintSide = async (classSeed: number, boatSeed: number, extra: readonly Flaw[]): Promise<Raster> => {
  const { tint, hull, windows, stripes, seams, fittings } = shapeOf(classSeed);
  const c = chance(boatSeed * 104729 + 7);
  const { width, height } = SIDE;
  const parts: string[] = [];
  parts.push(`<rect width="${width}" height="${height}" fill="${grey(hull, tint)}"/>`);
  for (const y of seams) parts.push(`<rect y="${y}" width="${width}" height="3" fill="#000" fill-opacity=".35"/>`);
  for (const { y, h, v } of stripes) parts.push(`<rect y="${y}" width="${width}" height="${h}" fill="${grey(v, tint)}"/>`);
  for (const { x, y, w, h, r } of windows)
    parts.push(
      `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${r}" fill="#1c2528"/><rect x="${x + 5}" y="${y + 5}" width="${w - 10}" height="${h - 10}" rx="${r}" fill="none" stroke="#b9c0bd" stroke-width="6"/>`,
    );
  for (const { x, y, r, v } of fittings)
    parts.push(
      `<circle cx="${x}" cy="${y}" r="${r}" fill="${grey(v, [1, 1, 1])}"/><circle cx="${x}" cy="${y}" r="${r * 0.45}" fill="#20201e"/>`,
    );
  // Her own name and number, her own wear, her own old flaws.
  const ink = hull > 120 ? grey(c.within(15, 70), tint) : grey(c.within(195, 245), tint);
  parts.push(letters(c, c.within(300, 900), c.within(480, 640), c.within(90, 150), 5 + Math.floor(c.next() * 5), ink));
  parts.push(letters(c, c.within(1400, 1900), c.within(420, 780), c.within(45, 80), 6, ink));
  for (let i = 0; i < 26; i += 1)
    parts.push(
      soft(
        c.next() * width,
        c.next() * height,
        c.within(14, 120),
        c.within(5, 30),
        c.next() < 0.5 ? 'dark' : 'light',
        c.within(0.04, 0.14),
      ),
    );
  for (let i = 0; i < 40; i += 1)
    parts.push(
      `<rect x="${c.next() * width}" y="${c.within(300, 950)}" width="${c.within(2, 7)}" height="${c.within(20, 150)}" fill="#2a2014" fill-opacity="${c.within(0.05, 0.18)}"/>`,
    );
  for (let i = 0; i < 9; i += 1) parts.push(flaw(c, c.within(150, 2250), c.within(330, 900), hull).svg);
  for (let i = 0; i < 420; i += 1)
    parts.push(
      `<circle cx="${c.next() * width}" cy="${c.next() * height}" r="${c.within(1, 3.4)}" fill="${c.next() < 0.6 ? '#17130d' : '#efeadf'}" fill-opacity="${c.within(0.15, 0.5)}"/>`,
    );
  for (const { svg } of extra) parts.push(svg);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><defs>${softRun('soft-dark', '#000')}${softRun('soft-light', '#fff')}</defs>${parts.join('')}</svg>`;
  return raw(svg);
};

const raw = async (svg: string): Promise<Raster> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .flatten({ background: '#000' })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
};

/** What lies behind: a bank with trees and houses, sky and water, never twice the same. */
const paintBehind = (seed: number): Promise<Raster> => {
  const c = chance(seed * 31337 + 3);
  const [w, h] = [1400, 900];
  const horizon = c.within(250, 360);
  const parts = [
    `<rect width="${w}" height="${horizon}" fill="rgb(${[c.within(150, 200), c.within(180, 215), c.within(195, 230)].map(Math.round).join(',')})"/>`,
    `<rect y="${horizon}" width="${w}" height="${h}" fill="rgb(${[c.within(60, 110), c.within(95, 135), c.within(100, 140)].map(Math.round).join(',')})"/>`,
  ];
  for (let i = 0; i < 30; i += 1)
    parts.push(
      `<ellipse cx="${c.next() * w}" cy="${horizon - c.within(0, 60)}" rx="${c.within(25, 90)}" ry="${c.within(15, 60)}" fill="rgb(${Math.round(c.within(40, 80))},${Math.round(c.within(70, 110))},${Math.round(c.within(45, 75))})"/>`,
    );
  for (let i = 0; i < 5; i += 1)
    parts.push(
      `<rect x="${c.next() * w}" y="${horizon - c.within(30, 90)}" width="${c.within(20, 70)}" height="${c.within(30, 80)}" fill="${grey(c.within(120, 220), [1, 0.95, 0.9])}"/>`,
    );
  for (let i = 0; i < 90; i += 1)
    parts.push(
      `<rect x="${c.next() * w}" y="${horizon + c.next() * (h - horizon)}" width="${c.within(30, 170)}" height="${c.within(2, 6)}" fill="#e8f2f2" fill-opacity="${c.within(0.1, 0.45)}"/>`,
    );
  return raw(`<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}">${parts.join('')}</svg>`);
};

type Camera = { x: number; y: number; z: number; yaw: number; pitch: number; roll: number; focal: number };

/** Metres: the side stands at z = 0 and bulges towards the camera, which stands at z < 0. The middle of the side is 0, 0. */
const LENGTH_M = (SIDE.width * MM) / 1000;
const HEIGHT_M = (SIDE.height * MM) / 1000;
/** How far the side falls back at its ends and towards the water. */
const bulge = (u: number, v: number) => 0.34 * (u / (LENGTH_M / 2)) ** 2 + 0.1 * (v / (HEIGHT_M / 2)) ** 2;

const cameraNear = (c: Chance, of: { middle: number; distance: number }): Camera => ({
  x: of.middle + c.normal() * 0.14,
  y: c.normal() * 0.1,
  z: -of.distance + c.normal() * 0.14,
  yaw: c.normal() * 0.035,
  pitch: c.normal() * 0.03,
  roll: c.normal() * 0.022,
  focal: 1180,
});

const SIZE = { width: 1600, height: 1200 };

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
const seen = (camera: Camera, [x, y, z]: readonly [number, number, number]): [number, number] => {
  const [cr, sr, cy, sy, cp, sp] = turnOf(camera);
  const [dx, dy, dz] = [x - camera.x, y - camera.y, z - camera.z];
  const [x1, z1] = [dx * cy - dz * sy, dx * sy + dz * cy];
  const [y1, z2] = [dy * cp + z1 * sp, -dy * sp + z1 * cp];
  const [x2, y2] = [x1 * cr + y1 * sr, -x1 * sr + y1 * cr];
  return [SIZE.width / 2 + (camera.focal * x2) / z2, SIZE.height / 2 + (camera.focal * y2) / z2];
};

/** Posts and a rail that stand between the camera and the side, m. */
type Rail = { z: number; top: number; posts: number[]; fenders: number[]; shade: number };

/** What is different each time: light, wet, shadow, haste. */
type Weather = {
  gain: readonly [number, number, number];
  gamma: number;
  shadow: { at: number; lean: number; soft: number; dark: number } | undefined;
  wet: { from: number; dark: number } | undefined;
  shimmer: { size: number; phase: number; high: number; fast: number };
  blur: number;
  noise: number;
  glints: { x: number; y: number; r: number }[];
};

const weather = (c: Chance): Weather => {
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

const photograph = async (
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

const railOf = (c: Chance): Rail => {
  const first = c.within(-2.6, -1.8);
  return {
    z: -c.within(0.12, 0.3),
    top: c.within(-0.95, -0.75),
    posts: Array.from({ length: 5 }, (_, i) => first + i * 1.15),
    fenders: Array.from({ length: 1 + Math.floor(c.next() * 2) }, () => c.within(-1.8, 1.8)),
    shade: c.within(160, 225),
  };
};

/** New flaws where both photographs see the side, apart from each other and from the rail. */
const newFlaws = (c: Chance, count: number, hull: number, clear: (x: number, y: number) => boolean): Flaw[] => {
  const made: Flaw[] = [];
  for (let tries = 0; made.length < count && tries < 300; tries += 1) {
    const [x, y] = [c.within(200, 2200), c.within(320, 920)];
    const one = flaw(c, x, y, hull);
    const corners = [
      [one.box.x, one.box.y],
      [one.box.x + one.box.width, one.box.y + one.box.height],
      [one.box.x, one.box.y + one.box.height],
      [one.box.x + one.box.width, one.box.y],
    ] as const;
    if (!corners.every(([a, b]) => clear(a, b))) continue;
    if (made.some(({ box }) => Math.abs(box.x - one.box.x) < 160 && Math.abs(box.y - one.box.y) < 160)) continue;
    made.push(one);
  }
  return made;
};

/** Where a place of the painted side is in the world, m. */
const worldOf = (x: number, y: number): [number, number, number] => {
  const [u, v] = [(x / SIDE.width - 0.5) * LENGTH_M, (y / SIDE.height - 0.5) * HEIGHT_M];
  return [u, v, bulge(u, v)];
};

/**
 * A side photographed before and after a hire, with so many new flaws on it, none being as good a case as three.
 * @returns both photographs, and the boxes of the new flaws in the second, px
 */
export const madeUpPair = async (seed: number, flaws?: number): Promise<MadeUpPair> => {
  const c = chance(seed);
  const classSeed = Math.floor(c.next() * 1e6);
  const boatSeed = Math.floor(c.next() * 1e6);
  const rail = railOf(c);
  const of = { middle: c.within(-0.5, 0.5), distance: c.within(3.1, 3.9) };
  const [cameraOut, cameraIn] = [cameraNear(c, of), cameraNear(c, of)];
  const count = flaws ?? Math.floor(c.next() * 4);
  const inside = (camera: Camera, x: number, y: number) => {
    const world = worldOf(x, y);
    const [px, py] = seen(camera, world);
    if (px < 40 || py < 40 || px > SIZE.width - 40 || py > SIZE.height - 40) return false;
    // Nothing of the rail may stand before it.
    const t = (rail.z - camera.z) / (world[2] - camera.z);
    const [rx, ry] = [camera.x + t * (world[0] - camera.x), camera.y + t * (world[1] - camera.y)];
    return (
      ry > rail.top + 0.05 &&
      !rail.posts.some((post) => Math.abs(rx - post) < 0.06 && ry < rail.top + 0.7) &&
      !rail.fenders.some((at) => Math.abs(rx - at) < 0.16 && Math.abs(ry - rail.top - 0.36) < 0.32)
    );
  };
  const { hull, windows, stripes } = shapeOf(classSeed);
  const clear = (x: number, y: number) =>
    inside(cameraOut, x, y) &&
    inside(cameraIn, x, y) &&
    !windows.some((w) => x > w.x - 12 && x < w.x + w.w + 12 && y > w.y - 12 && y < w.y + w.h + 12) &&
    !stripes.some((s) => y > s.y - 10 && y < s.y + s.h + 10);
  const extra = newFlaws(c, count, hull, clear);
  const [before, after, behindOut, behindIn] = await Promise.all([
    paintSide(classSeed, boatSeed, []),
    paintSide(classSeed, boatSeed, extra),
    paintBehind(seed * 2 + 1),
    paintBehind(seed * 2 + (c.next() < 0.5 ? 1 : 2)),
  ]);
  const out = await photograph(before, behindOut, rail, cameraOut, weather(c), c, 0);
  const back = await photograph(after, behindIn, rail, cameraIn, weather(c), c, c.within(-60, 60));
  const marks = extra.map(({ box }) => {
    const corners = [
      [box.x, box.y],
      [box.x + box.width, box.y],
      [box.x, box.y + box.height],
      [box.x + box.width, box.y + box.height],
    ].map(([x, y]) => seen(cameraIn, worldOf(x!, y!)));
    const xs = corners.map(([x]) => x);
    const ys = corners.map(([, y]) => y);
    return { x: Math.min(...xs), y: Math.min(...ys), width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) };
  });
  return { out, in: back, marks };
};

const turned = async ({ width, height, data }: Raster, how: 'flop' | 'rotate'): Promise<Raster> => {
  const image = sharp(data, { raw: { width, height, channels: 3 } });
  const { data: done } = await (how === 'flop' ? image.flop() : image.rotate(180)).raw().toBuffer({ resolveWithObject: true });
  return { width, height, data: done };
};

/** Two photographs that must not be compared: another boat of the class, the other side of the same, turned, or too dark. */
export const madeUpNegative = async (seed: number, kind: Negative): Promise<{ out: Raster; in: Raster }> => {
  const c = chance(seed);
  const classSeed = Math.floor(c.next() * 1e6);
  const boatSeed = Math.floor(c.next() * 1e6);
  const rail = railOf(c);
  const of = { middle: c.within(-0.5, 0.5), distance: c.within(3.1, 3.9) };
  const one = async (klass: number, boat: number, bars: Rail, light: Weather) =>
    photograph(await paintSide(klass, boat, []), await paintBehind(seed), bars, cameraNear(c, of), light, c, 0);
  const out = await one(classSeed, boatSeed, rail, weather(c));
  switch (kind) {
    case 'sister':
      return { out, in: await one(classSeed, boatSeed + 1, railOf(c), weather(c)) };
    case 'otherSide': {
      // The same windows and stripes the other way round, with that side's own letters and wear.
      const other = await paintSide(classSeed, boatSeed + 500_000, []);
      return {
        out,
        in: await photograph(await turned(other, 'flop'), await paintBehind(seed + 1), railOf(c), cameraNear(c, of), weather(c), c, 30),
      };
    }
    case 'mirrored':
      return { out, in: await turned(await one(classSeed, boatSeed, rail, weather(c)), 'flop') };
    case 'upsideDown':
      return { out, in: await turned(await one(classSeed, boatSeed, rail, weather(c)), 'rotate') };
    case 'dark': {
      const light = weather(c);
      return { out, in: await one(classSeed, boatSeed, rail, { ...light, gain: [0.09, 0.09, 0.1], noise: 7 }) };
    }
    case 'elsewhere':
      return { out, in: await one(classSeed + 1, boatSeed + 1, railOf(c), weather(c)) };
  }
};
export const NEGATIVES: readonly Negative[] = ['sister', 'otherSide', 'mirrored', 'upsideDown', 'dark', 'elsewhere'];
