import type { MarkSpec } from './playFile';
import type { HireRow } from '../platform/database/tables';
import sharp from 'sharp';
import type * as z from 'zod/mini';
import { chance } from '@quay/core/number/chance';
import type { Person } from '@quay/core/party/people';

/** A made-up photograph of a hull side with its mark, so that nothing real is ever shown. */
export const photograph = (mark: z.infer<typeof MarkSpec> | undefined, seed: number): Promise<Buffer> => {
  const hue = 150 + (seed % 5) * 9;
  const scratch = mark
    ? `<path d="M${mark.x * 700 + 60} ${200 + mark.y * 60} q60 ${20 + (seed % 20)} 130 26" stroke="#D9D4C3" stroke-width="7" fill="none" stroke-linecap="round"/>`
    : '';
  // What every hull has and no two have alike: her number in strokes, rivets, rubs and specks.
  const { within, next } = chance(seed * 977 + 5);
  const letters = Array.from({ length: 5 }, (_, i) => {
    const at = () => `${560 + i * 46 + within(0, 30)} ${within(236, 286)}`;
    return `M${at()}L${at()}L${at()}L${at()}`;
  }).join('');
  const specks = Array.from({ length: 150 }, () => {
    const [x, y, r] = [within(10, 890), within(225, 440), within(1.5, 5)];
    return `<circle cx="${x}" cy="${y}" r="${r}" fill="${next() < 0.5 ? '#10201b' : '#b9c4b4'}" fill-opacity="${within(0.25, 0.8)}"/>`;
  }).join('');
  const hers = `<path d="${letters}" stroke="#E9E0CB" stroke-width="7" fill="none" stroke-linejoin="round"/>${specks}`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><defs><linearGradient id="h" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="hsl(${hue} 26% 34%)"/><stop offset="1" stop-color="hsl(${hue} 30% 19%)"/></linearGradient></defs><rect width="900" height="600" fill="#9DBFC6"/><path d="M0 130Q480 80 900 176V450Q450 426 0 474Z" fill="url(#h)"/><path d="M0 130Q480 80 900 176V206Q480 112 0 164Z" fill="#E9E0CB"/><path d="M0 474Q450 426 900 450V600H0Z" fill="#7FA7AE"/><g stroke="#DCE9EA" stroke-opacity=".35" stroke-width="5"><path d="M40 530h200M330 546h260M130 572h130M560 516h190"/></g>${hers}${scratch}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 82 }).toBuffer();
};

/** A made-up signature. */
export const scrawl = (seed: number): Promise<Buffer> => {
  const wave = Array.from(
    { length: 9 },
    (_, i) => `q${10 + ((seed * 7 + i * 13) % 14)} ${i % 2 ? 26 : -30} ${24 + ((seed + i) % 9)} ${((seed * (i + 3)) % 17) - 8}`,
  ).join('');
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="120"><path d="M30 74${wave}" fill="none" stroke="#17211E" stroke-width="4" stroke-linecap="round"/></svg>`,
    ),
  )
    .png()
    .toBuffer();
};

export const GROWN_UPS = ['Arlo', 'Brennick', 'Cass', 'Delphie', 'Eskil', 'Fenna', 'Gide', 'Hollis', 'Isolde', 'Jorun'];

export const CHILDREN = ['Kip', 'Lune', 'Moss', 'Nell', 'Otto'];

/** Whoever comes along on an invented hire: the renter drives, the next grown-up looks out. */
export const madeUpParty = (hire: Pick<HireRow, 'adults' | 'children'>, renter: string, seed: number): Person[] => [
  ...Array.from({ length: hire.adults }, (_, i): Person => ({
    id: `p${i + 1}`,
    name: i === 0 ? renter : GROWN_UPS[(seed + i) % GROWN_UPS.length]!,
    age: 28 + ((seed * 7 + i * 11) % 38),
    massKg: 58 + ((seed * 5 + i * 13) % 34),
    swims: i % 4 === 3 ? 'weakly' : 'well',
    ...(i === 0 ? { drives: true, licence: true } : i === 1 ? { lookout: true } : {}),
  })),
  ...Array.from({ length: hire.children }, (_, i): Person => ({
    id: `p${hire.adults + i + 1}`,
    name: CHILDREN[(seed + i) % CHILDREN.length]!,
    age: 6 + ((seed + i * 3) % 5),
    size: 'child',
    swims: i % 2 === 0 ? 'weakly' : 'well',
  })),
];
