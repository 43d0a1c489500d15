import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open, readFile } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import sharp from 'sharp';
import { PHOTO_LIMIT_PIXELS, PHOTO_LIMIT_SIDE } from '@quay/contract/record';
import { reachesEnd } from './endOfJpeg';

// Decoding shares the machine with answering: one picture at a time, on one core, and nothing of it is kept in memory.
sharp.concurrency(1);
sharp.cache(false);

/** Of a picture with all its colours at their depth, bytes: some forms cannot be read in strips. */
const DECODED_LIMIT_BYTES = 200 * 1024 * 1024;
const DEPTH_BYTES: Readonly<Record<string, number>> = { uchar: 1, char: 1, ushort: 2, short: 2 };

export type PictureFault = 'tooManyPixels' | 'heic' | 'noImage' | 'truncated' | 'nameDiffers' | 'tooHeavy';
export type Judged = { ok: true; media: string; width: number; height: number } | { ok: false; fault: PictureFault };

/** What is made of a photograph, without its position or anything else that a camera wrote beside it. */
export const COPIES = {
  /** Among others, on screens with several dots to a pixel. */
  small: { edgePx: 360, quality: 72 },
  /** Large enough to see a scratch on paper. */
  paper: { edgePx: 900, quality: 80 },
  /** As large as it came. */
  plain: { edgePx: undefined, quality: 92 },
} as const;
export type Copy = keyof typeof COPIES;

/** Brands of the HEIF family (ISO 23008-12), which browsers and this server do not decode. */
const isHeic = (head: Buffer) =>
  head.toString('latin1', 4, 8) === 'ftyp' && /^(heic|heix|hevc|heim|heis|mif1|msf1)/.test(head.toString('latin1', 8, 12));

/** Looks at a file that arrived: what it is, by its head first, and whether all of it can be decoded. @param sha what its bytes have to come to */
export const judgePicture = async (file: string, sha: string): Promise<Judged> => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  if (hash.digest('hex') !== sha) return { ok: false, fault: 'nameDiffers' };
  const handle = await open(file, 'r');
  const head = Buffer.alloc(16);
  await handle.read(head, 0, 16, 0).finally(() => handle.close());
  if (isHeic(head)) return { ok: false, fault: 'heic' };
  const about = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  if (!about || !['jpeg', 'png', 'webp'].includes(about.format)) return { ok: false, fault: 'noImage' };
  const { width, height, channels, depth, format } = about;
  const decoded = width * height * channels * (DEPTH_BYTES[depth] ?? 4);
  if (Math.max(width, height) > PHOTO_LIMIT_SIDE || width * height > PHOTO_LIMIT_PIXELS || decoded > DECODED_LIMIT_BYTES)
    return { ok: false, fault: 'tooManyPixels' };
  if (format === 'jpeg' && !reachesEnd(await readFile(file))) return { ok: false, fault: 'truncated' };
  try {
    await sharp(file, { limitInputPixels: PHOTO_LIMIT_PIXELS, failOn: 'truncated' }).stats();
  } catch (error) {
    return { ok: false, fault: /out of memory/.test((error as Error).message) ? 'tooHeavy' : 'truncated' };
  }
  return { ok: true, media: `image/${format}`, width, height };
};

/** Makes a copy of a photograph that was judged. @param to where it is written @throws when it cannot be decoded or written */
export const copyPicture = async (file: string, copy: Copy, to: string): Promise<void> => {
  const { edgePx, quality } = COPIES[copy];
  const upright = sharp(file, { limitInputPixels: PHOTO_LIMIT_PIXELS }).rotate();
  const sized = edgePx === undefined ? upright : upright.resize(edgePx, edgePx, { fit: 'inside', withoutEnlargement: true });
  await sized.flatten({ background: '#ffffff' }).jpeg({ quality }).toFile(to);
};

/** Looks at pictures and makes copies of them, one at a time. */
export type PictureWork = {
  judge: (file: string, sha: string) => Promise<Judged>;
  copy: (file: string, copy: Copy, to: string) => Promise<void>;
  end: () => Promise<void>;
};
