import type { Chance } from '@quay/core/number/chance';
import { readdir } from 'node:fs/promises';
import { basename, join } from 'node:path';
import sharp from 'sharp';
import type { Raster } from '../madeUp/paint';
import { fetchPhotographs } from './packages';
import { type Part, partOf, SECOND_VIEWS } from './photographs';

/** Surfaces made of real photographs: one that is large enough by itself, a texture laid out over and over, or four smaller ones. */
export const SURFACE = { width: 1900, height: 1425 };

/** From so many px across on, a photograph is a surface by itself. */
const LARGE_PX = 1500;
/** Photographs of one even thing: laid out over and over, mirrored, so that no edge shows. */
const EVEN = new Set(['brick.png', 'grass.png', 'gravel.png', 'text.png', 'page.png', 'ihc.png']);
const EVEN_SCALE = 1.5;

/** What was really taken twice is judged by as it is. */
const TWICE = new Set(SECOND_VIEWS.flatMap(({ out, back }) => [out, back]));

/** Laid out mirrored, such a one is much the same the other way round. */
export const isEven = ({ file }: { file: string }): boolean => EVEN.has(basename(file));

export type Bases = readonly { file: string; large: boolean }[];

/** The photographs of a part, as they lie on the disk. */
export const basesOf = async (folder: string, part: Part, only?: readonly string[]): Promise<Bases> => {
  const places = [...(await fetchPhotographs(folder, only)).values()];
  const listed = await Promise.all(
    places.map(async (place) =>
      (await readdir(place, { recursive: true })).filter((file) => /\.(jpg|png)$/.test(file)).map((file) => join(place, file)),
    ),
  );
  const mine = listed
    .flat()
    .sort()
    .filter((file) => partOf(file) === part && !TWICE.has(basename(file)));
  return Promise.all(
    mine.map(async (file) => ({ file, large: ((await sharp(file).metadata()).width ?? 0) >= LARGE_PX || EVEN.has(basename(file)) })),
  );
};

/** As bytes, without the alpha that a drawing laid over it brings. */
const rgb = (image: sharp.Sharp): Promise<Raster> =>
  image
    .flatten()
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true })
    .then(({ data, info }) => ({ width: info.width, height: info.height, data }));

const cover = (file: string, width: number, height: number, at: number) =>
  sharp(file).resize({ width, height, fit: 'cover', position: ['left', 'centre', 'right'][at % 3]! });

const ofRaster = ({ width, height, data }: Raster): sharp.Sharp => sharp(data, { raw: { width, height, channels: 3 } });

const laidOut = async (file: string): Promise<Raster> => {
  const { width = 1 } = await sharp(file).metadata();
  const one = await rgb(sharp(file).resize({ width: Math.round(width * EVEN_SCALE) }));
  const mirrored = await rgb(ofRaster(one).extend({ right: SURFACE.width, bottom: SURFACE.height, extendWith: 'mirror' }));
  return rgb(ofRaster(mirrored).extract({ left: 0, top: 0, ...SURFACE }));
};

/** What a class of boats shares, printed over whatever her side is: windows, stripes, a few fittings. */
const shapes = (c: Chance): string => {
  const parts: string[] = [];
  const windows = 2 + Math.floor(c.next() * 4);
  const top = c.within(120, 420);
  for (let i = 0; i < windows; i += 1)
    parts.push(
      `<rect x="${140 + (i * (SURFACE.width - 280)) / windows}" y="${top}" width="${c.within(110, 230)}" height="${c.within(70, 150)}" rx="${c.pick([6, 26, 50])}" fill="#1b2326" stroke="#aeb4b0" stroke-width="7"/>`,
    );
  for (let i = 0; i < 2; i += 1) {
    const v = Math.round(c.within(20, 235));
    parts.push(
      `<rect y="${c.within(600, 1200)}" width="${SURFACE.width}" height="${c.within(10, 46)}" fill="rgb(${v},${v},${Math.round(v * 0.9)})"/>`,
    );
  }
  return parts.join('');
};

const WORDS = ['No 14', 'KEEP CLEAR', 'Gull', '12 V', 'Diesel', 'Water', 'Mind the step', 'Heron', 'Max 6', 'Tern II'];

/** A name, a plate, a notice: what is printed on a boat. */
const print = (c: Chance): string =>
  Array.from({ length: 2 + Math.floor(c.next() * 4) }, () => {
    const [size, dark] = [c.within(26, 110), c.next() < 0.5];
    const [x, y] = [c.within(80, SURFACE.width - 420), c.within(160, SURFACE.height - 120)];
    const word = c.pick(WORDS);
    const plate =
      c.next() < 0.5
        ? `<rect x="${x - size * 0.3}" y="${y - size}" width="${size * (word.length * 0.62 + 0.6)}" height="${size * 1.4}" rx="${size * 0.1}" fill="${dark ? '#e9e6da' : '#22303a'}"/>`
        : '';
    return `${plate}<text x="${x}" y="${y}" font-family="${c.pick(['serif', 'sans-serif', 'monospace'])}" font-weight="700" font-size="${size}" fill="${dark ? '#1d2a33' : '#f1efe4'}">${word}</text>`;
  }).join('');

/** What is drawn over the photograph: the class's shapes by one source of chance, this boat's own letters by another. */
export type Printed = { shapes?: Chance | undefined; letters?: Chance | undefined };

/** @param at which of the bases it begins with: every other one is a large one, of which there are fewer */
export const surfaceOf = async (bases: Bases, at: number, c: Chance, printed: Printed = {}): Promise<Raster> => {
  const among = bases.filter(({ large }) => large === (at % 2 === 0));
  const base = among[(at >> 1) % among.length]!;
  let plain: Raster;
  if (isEven(base)) plain = await laidOut(base.file);
  else if (base.large) plain = await rgb(cover(base.file, SURFACE.width, SURFACE.height, Math.floor(c.next() * 3)));
  else {
    // Four smaller ones: each by itself would be drawn out until it showed nothing fine.
    const small = bases.filter(({ large }) => !large);
    const [w, h] = [SURFACE.width / 2, Math.ceil(SURFACE.height / 2)];
    const first = small.indexOf(base);
    const four = await Promise.all([0, 1, 2, 3].map((i) => rgb(cover(small[(first + i * 7) % small.length]!.file, w, h, i))));
    const all = await rgb(
      sharp({ create: { width: SURFACE.width, height: h * 2, channels: 3, background: '#808080' } }).composite(
        four.map(({ data, width, height }, i) => ({
          input: data,
          raw: { width, height, channels: 3 as const },
          left: (i % 2) * w,
          top: Math.floor(i / 2) * h,
        })),
      ),
    );
    plain = await rgb(ofRaster(all).extract({ left: 0, top: 0, ...SURFACE }));
  }
  const drawn = `${printed.shapes ? shapes(printed.shapes) : ''}${printed.letters ? print(printed.letters) : ''}`;
  if (drawn === '') return plain;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${SURFACE.width}" height="${SURFACE.height}">${drawn}</svg>`;
  return rgb(ofRaster(plain).composite([{ input: Buffer.from(svg) }]));
};
