import sharp from 'sharp';
import { comparePair } from './comparePair';
import type { Found } from './flaws/boxes';
import { COMPARED_AT_PX, type Grey, greyOf } from './picture';
import type { Reason } from './align/recognise';

/**
 * Two photographs by their files, compared; boxes in px of the second file as it stands on disk, whichever way it is turned.
 * `fainter` are less likely and not boxed by themselves; `shares` are both as shares of it upright, as the pictures show it.
 */
export type FilesCompared =
  | { comparable: true; reason: null; inliers: number; boxes: Found[]; fainter: Found[]; shares?: Found[]; pictures?: Pictures }
  | { comparable: false; reason: Reason; inliers: number; boxes: [] };

/** JPEG files for looking at: the first laid over the second, the second in the same size, how much each place differs. */
export type Pictures = { aligned: Uint8Array; back: Uint8Array; heat: Uint8Array; width: number; height: number };

export class UnreadableFile extends Error {
  constructor(readonly file: string) {
    super(`${file} is no photograph that can be read.`);
  }
}

type Loaded = { grey: Grey; rgb: Uint8Array; stored: { width: number; height: number }; turn: number };

const load = async (file: string): Promise<Loaded> => {
  try {
    const { width, height, orientation } = await sharp(file).metadata();
    const { data, info } = await sharp(file)
      .rotate()
      .resize({ width: COMPARED_AT_PX })
      .flatten()
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    if (info.channels !== 3) throw new Error('not three channels');
    const rgb = new Uint8Array(data);
    return {
      grey: greyOf({ width: info.width, height: info.height, data: rgb }),
      rgb,
      stored: { width, height },
      turn: orientation ?? 1,
    };
  } catch {
    throw new UnreadableFile(file);
  }
};

/** From shares of the upright picture to shares of the stored one, by the eight ways of Exif's orientation. */
const STORED: Readonly<Record<number, (x: number, y: number) => [number, number]>> = {
  1: (x, y) => [x, y],
  2: (x, y) => [1 - x, y],
  3: (x, y) => [1 - x, 1 - y],
  4: (x, y) => [x, 1 - y],
  5: (x, y) => [y, x],
  6: (x, y) => [y, 1 - x],
  7: (x, y) => [1 - y, 1 - x],
  8: (x, y) => [1 - y, x],
};

/** @param upright px of the picture it was compared at */
const onDisk = ({ grey, stored, turn }: Loaded, { x, y, width, height, strength }: Found): Found => {
  const map = STORED[turn] ?? STORED[1]!;
  const corners = [map(x / grey.width, y / grey.height), map((x + width) / grey.width, (y + height) / grey.height)];
  const [xs, ys] = [0, 1].map((axis) => corners.map((corner) => corner[axis]!).sort((a, b) => a - b)) as [number[], number[]];
  const [left, top] = [Math.round(xs[0]! * stored.width), Math.round(ys[0]! * stored.height)];
  return { x: left, y: top, width: Math.round(xs[1]! * stored.width) - left, height: Math.round(ys[1]! * stored.height) - top, strength };
};

/** Differences as the eye sees them best: bright, and in a colour that a boat seldom has. */
const glowing = (heat: Uint8Array): Uint8Array => {
  const glow = new Uint8Array(heat.length * 3);
  for (let i = 0, p = 0; i < heat.length; i += 1, p += 3) {
    const v = Math.min(255, heat[i]! * 4);
    glow[p] = v;
    glow[p + 1] = v * 0.45;
    glow[p + 2] = v * 0.1;
  }
  return glow;
};

const jpegOf = async (data: Uint8Array, width: number, height: number): Promise<Uint8Array> =>
  sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 82 })
    .toBuffer();

/**
 * @param pictures whether pictures to look at are made as well
 * @throws UnreadableFile where one of them is no photograph
 */
export const compareFiles = async (out: string, back: string, { pictures = false } = {}): Promise<FilesCompared> => {
  const [first, second] = await Promise.all([load(out), load(back)]);
  const { width, height } = second.grey;
  // The second's picture is made on another thread while they are compared.
  const [seen, shown] = await Promise.all([
    comparePair(first.grey, second.grey, pictures ? first.rgb : undefined),
    pictures ? jpegOf(second.rgb, width, height) : undefined,
  ]);
  if (!seen.comparable) return seen;
  const [boxes, fainter] = [seen.boxes, seen.fainter].map((all) => all.map((box) => onDisk(second, box))) as [Found[], Found[]];
  const found = { comparable: true, reason: null, inliers: seen.inliers, boxes, fainter } as const;
  if (!shown) return found;
  const shares = [...seen.boxes, ...seen.fainter].map((box) => ({
    x: box.x / width,
    y: box.y / height,
    width: box.width / width,
    height: box.height / height,
    strength: box.strength,
  }));
  const [aligned, heat] = await Promise.all([jpegOf(seen.aligned, width, height), jpegOf(glowing(seen.heat), width, height)]);
  return { ...found, shares, pictures: { aligned, back: shown, heat, width, height } };
};
