import { type Chance, chance } from '@quay/core/number/chance';
import sharp from 'sharp';

/** Sides of boats as they are painted and have aged, and what lies behind them. */

export type Raster = { width: number; height: number; data: Buffer };
export type Box = { x: number; y: number; width: number; height: number };

/** The side as it is painted, px of its own picture; a pixel is 2.5 mm. */
export const SIDE = { width: 2400, height: 1000 };
export const MM = 2.5;

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
export const shapeOf = (classSeed: number) => {
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

export type Flaw = { svg: string; box: Box };

/** A flaw on the side, as large as such things are; its box in px of the painted side. */
export const flaw = (c: Chance, x: number, y: number, hull: number): Flaw => {
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
export const paintSide = async (classSeed: number, boatSeed: number, extra: readonly Flaw[]): Promise<Raster> => {
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
export const paintBehind = (seed: number): Promise<Raster> => {
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
