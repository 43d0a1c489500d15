import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import sharp from 'sharp';
import { PHOTO_LIMIT_BYTES, PHOTO_LIMIT_PIXELS } from '@quay/contract/record';
import type { Store } from './open';

// Decoding shares the machine with answering; one picture at a time is enough here.
sharp.concurrency(1);

export type PhotoFault = 'tooLarge' | 'tooManyPixels' | 'heic' | 'noImage' | 'truncated' | 'nameDiffers';
export type PhotoProgress = { ok: true; bytes: number; complete: boolean } | { ok: false; fault: PhotoFault };

const partOf = (store: Store, hire: string, sha: string) => join(store.photos, 'part', `${hire}-${sha}`);
export const fileOf = (store: Store, sha: string) => join(store.photos, sha.slice(0, 2), sha);

const sizeOf = async (file: string): Promise<number> => {
  try {
    return (await stat(file)).size;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return 0;
    throw error;
  }
};

export const photoRow = async (store: Store, hire: string, sha: string): Promise<{ media: string; bytes: number } | undefined> =>
  (await store.db('photo').where({ hire, sha }).first('media', 'bytes')) as { media: string; bytes: number } | undefined;

export const progressOf = async (store: Store, hire: string, sha: string): Promise<{ bytes: number; complete: boolean }> => {
  const row = await photoRow(store, hire, sha);
  return row ? { bytes: row.bytes, complete: true } : { bytes: await sizeOf(partOf(store, hire, sha)), complete: false };
};

/** Makes a rename or a new file last through a power cut. */
const syncFolder = async (folder: string) => {
  const handle = await open(folder, 'r');
  await handle.sync().finally(() => handle.close());
};

/** Brands of the HEIF family (ISO 23008-12), which browsers and this server do not decode. */
const isHeic = (head: Buffer) =>
  head.toString('latin1', 4, 8) === 'ftyp' && /^(heic|heix|hevc|heim|heis|mif1|msf1)/.test(head.toString('latin1', 8, 12));

const judge = async (
  file: string,
  sha: string,
): Promise<{ ok: true; media: string; width: number; height: number } | { ok: false; fault: PhotoFault }> => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  if (hash.digest('hex') !== sha) return { ok: false, fault: 'nameDiffers' };
  const handle = await open(file, 'r');
  const head = Buffer.alloc(16);
  await handle.read(head, 0, 16, 0).finally(() => handle.close());
  if (isHeic(head)) return { ok: false, fault: 'heic' };
  const image = sharp(file, { limitInputPixels: false, failOn: 'truncated' });
  const about = await image.metadata().catch(() => undefined);
  if (!about || !['jpeg', 'png', 'webp'].includes(about.format)) return { ok: false, fault: 'noImage' };
  if (about.width * about.height > PHOTO_LIMIT_PIXELS) return { ok: false, fault: 'tooManyPixels' };
  try {
    await image.stats();
  } catch {
    return { ok: false, fault: 'truncated' };
  }
  return { ok: true, media: `image/${about.format}`, width: about.width, height: about.height };
};

/** One delivery at a time for a picture; a second phone with the same one waits and finds it done. */
const busy = new Map<string, Promise<unknown>>();

/**
 * Appends a piece of a photograph. At the wrong offset nothing is written and the reply says where to go on.
 * @param size of the whole photograph, bytes
 */
export const appendPhoto = async (
  store: Store,
  hire: string,
  sha: string,
  offset: number,
  size: number,
  piece: Buffer,
  now: string,
): Promise<PhotoProgress> => {
  const before = busy.get(sha) ?? Promise.resolve();
  const mine = before.then(() => appendAlone(store, hire, sha, offset, size, piece, now));
  const settled = mine.catch(() => undefined);
  busy.set(sha, settled);
  try {
    return await mine;
  } finally {
    if (busy.get(sha) === settled) busy.delete(sha);
  }
};

const appendAlone = async (
  store: Store,
  hire: string,
  sha: string,
  offset: number,
  size: number,
  piece: Buffer,
  now: string,
): Promise<PhotoProgress> => {
  if (size > PHOTO_LIMIT_BYTES) return { ok: false, fault: 'tooLarge' };
  const row = await photoRow(store, hire, sha);
  if (row) return { ok: true, bytes: row.bytes, complete: true };
  const part = partOf(store, hire, sha);
  const have = await sizeOf(part);
  if (have !== offset) return { ok: true, bytes: have, complete: false };
  await mkdir(join(store.photos, 'part'), { recursive: true });
  if (have + piece.length > size) {
    await rm(part, { force: true });
    return { ok: false, fault: 'nameDiffers' };
  }
  const handle = await open(part, 'a');
  try {
    await handle.appendFile(piece);
    await handle.sync();
  } finally {
    await handle.close();
  }
  if (have + piece.length < size) return { ok: true, bytes: have + piece.length, complete: false };
  const judged = await judge(part, sha);
  if (!judged.ok) {
    await rm(part, { force: true });
    return judged;
  }
  const folder = join(store.photos, sha.slice(0, 2));
  await mkdir(folder, { recursive: true });
  await rename(part, fileOf(store, sha));
  await syncFolder(folder);
  await store
    .db('photo')
    .insert({ hire, sha, media: judged.media, bytes: size, width: judged.width, height: judged.height, receivedAt: now })
    .onConflict(['hire', 'sha'])
    .ignore();
  return { ok: true, bytes: size, complete: true };
};

/** Pictures among others are shown no larger than this, on screens with several dots to a pixel. */
const SMALL_PX = 360;

/** A photograph made small for a walk, without its position or anything else that came with it; made once and kept. */
export const smallPhoto = async (store: Store, sha: string): Promise<Buffer> => {
  const small = `${fileOf(store, sha)}.small`;
  try {
    return await readFile(small);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
  const bytes = await sharp(fileOf(store, sha)).rotate().resize(SMALL_PX, SMALL_PX, { fit: 'inside' }).jpeg({ quality: 72 }).toBuffer();
  const part = `${small}.${process.pid}-${Date.now()}`;
  await writeFile(part, bytes);
  await rename(part, small);
  return bytes;
};
