import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { PHOTO_LIMIT_BYTES } from '@quay/contract/record';
import type { EventBody } from '@quay/core/record/event';
import { attachmentsOf } from '@quay/core/record/event';
import type { PictureFault } from '../../platform/pictures/work';
import type { Store } from '../../platform/database/open';
import { fileOf, photoRow, sizeOf, syncFolder } from './photo';
import { hasRoom } from '../../platform/database/freeRoom';

/** Photographs on their way in, piece by piece, and how many of them there may be. */

export type UploadFault = PictureFault | 'tooLarge' | 'notNamed' | 'hireClosed' | 'tooManyPhotos' | 'diskFull';
export type Uploaded = { ok: true; bytes: number; complete: boolean } | { ok: false; fault: UploadFault };

/** A long hire with damage comes to a hundred; so many are far above any. */
export const HIRE_PHOTOS = 800;
export const RENTER_PHOTOS = 300;
export const HIRE_BYTES = 2 * 1024 ** 3;
export const RENTER_BYTES = 700 * 1024 ** 2;
/** A phone sends one after the other; what it left half-way beyond so many begins anew. */
export const UNFINISHED = 4;
/** A half that nobody goes on with for so long is thrown away, days. */
export const UNFINISHED_DAYS = 5;
const DAY_MS = 86_400_000;

const partFolder = (store: Store) => join(store.photos, 'part');
const partOf = (store: Store, hire: string, sha: string) => join(partFolder(store), `${hire}-${sha}`);

export const progressOf = async (store: Store, hire: string, sha: string): Promise<{ bytes: number; complete: boolean }> => {
  const row = await photoRow(store, hire, sha);
  return row ? { bytes: row.bytes, complete: true } : { bytes: await sizeOf(partOf(store, hire, sha)), complete: false };
};

/** Who sends a photograph: the phone, and whether a renter holds it. */
export type Sender = { device: string; role: 'hand' | 'manager' | 'renter' };
export type Piece = {
  hire: string;
  sha: string;
  /** Where the piece begins, and how large the whole is, bytes. */
  offset: number;
  size: number;
  bytes: Buffer;
  now: string;
  /** Nobody where the quay makes it up itself. */
  from?: Sender;
};

const forget = async (store: Store, hire: string, sha: string) => {
  await rm(partOf(store, hire, sha), { force: true });
  await store.db('photoPart').where({ hire, sha }).del();
};

/** Whether an entry of the hire names the photograph, and after a closing one that may still bring some. */
const namedIn = async ({ db }: Store, hire: string, sha: string, role: Sender['role']): Promise<UploadFault | undefined> => {
  const rows = await db('event').where({ hire }).andWhereRaw('instr(content, ?) > 0', [sha]).select('content', 'receivedAt');
  const named = rows.filter(({ content }) => attachmentsOf((JSON.parse(content) as { body: EventBody }).body).includes(sha));
  if (named.length === 0) return 'notNamed';
  const closed = await db('statement').where({ hire }).whereNull('corrects').first('closedAt');
  // What comes after the closing lies beside the record: a renter has settled, and staff answer for what they add.
  if (closed && role === 'renter' && named.every(({ receivedAt }) => receivedAt > closed.closedAt)) return 'hireClosed';
  return undefined;
};

type Sum = { n: number; bytes: number | null };
const spent = async ({ db }: Store, where: { hire: string; role?: string }): Promise<{ n: number; bytes: number }> => {
  const held = (await db('photo').where(where).sum({ bytes: 'bytes' }).count<Sum>({ n: 'sha' }).first())!;
  const coming = (await db('photoPart').where(where).sum({ bytes: 'size' }).count<Sum>({ n: 'sha' }).first())!;
  return { n: held.n + coming.n, bytes: (held.bytes ?? 0) + (coming.bytes ?? 0) };
};

/** Whether a photograph that nothing has come of yet may be begun. */
const mayBegin = async (store: Store, { hire, sha, size, now }: Piece, { device, role }: Sender): Promise<UploadFault | undefined> => {
  const refused = await namedIn(store, hire, sha, role);
  if (refused) return refused;
  const all = await spent(store, { hire });
  if (all.n >= HIRE_PHOTOS || all.bytes + size > HIRE_BYTES) return 'tooManyPhotos';
  if (role === 'renter') {
    const theirs = await spent(store, { hire, role });
    if (theirs.n >= RENTER_PHOTOS || theirs.bytes + size > RENTER_BYTES) return 'tooManyPhotos';
  }
  const halves = await store.db('photoPart').where({ hire, device }).orderBy('touchedAt', 'desc').select('sha');
  for (const old of halves.slice(UNFINISHED - 1)) await forget(store, hire, old.sha);
  await store.db('photoPart').insert({ hire, sha, device, role, size, touchedAt: now }).onConflict(['hire', 'sha']).ignore();
  return undefined;
};

/** One delivery at a time for a picture; a second phone with the same one waits and finds it done. */
const busy = new Map<string, Promise<unknown>>();

/** Appends a piece of a photograph. At the wrong offset nothing is written and the reply says where to go on. */
export const appendPhoto = async (store: Store, piece: Piece): Promise<Uploaded> => {
  const { sha } = piece;
  const before = busy.get(sha) ?? Promise.resolve();
  const mine = before.then(() => appendAlone(store, piece));
  const settled = mine.catch(() => undefined);
  busy.set(sha, settled);
  try {
    return await mine;
  } finally {
    if (busy.get(sha) === settled) busy.delete(sha);
  }
};

const appendAlone = async (store: Store, piece: Piece): Promise<Uploaded> => {
  const { hire, sha, offset, size, bytes, now, from } = piece;
  if (size > PHOTO_LIMIT_BYTES) return { ok: false, fault: 'tooLarge' };
  const row = await photoRow(store, hire, sha);
  if (row) return { ok: true, bytes: row.bytes, complete: true };
  if (!(await hasRoom(store, size))) return { ok: false, fault: 'diskFull' };
  const begun = await store.db('photoPart').where({ hire, sha }).first('size');
  if (from && !begun) {
    const refused = await mayBegin(store, piece, from);
    if (refused) return { ok: false, fault: refused };
  }
  const part = partOf(store, hire, sha);
  const have = await sizeOf(part);
  if (have !== offset) return { ok: true, bytes: have, complete: false };
  if (have + bytes.length > size) {
    await forget(store, hire, sha);
    return { ok: false, fault: 'nameDiffers' };
  }
  await mkdir(partFolder(store), { recursive: true });
  const handle = await open(part, 'a');
  try {
    await handle.appendFile(bytes);
    await handle.sync();
  } catch (error) {
    // A disk that is full in the middle of a piece leaves the part as long as it was, so that it can be gone on with.
    await handle.truncate(have);
    throw error;
  } finally {
    await handle.close();
  }
  if (have + bytes.length < size) {
    await store.db('photoPart').where({ hire, sha }).update({ touchedAt: now });
    return { ok: true, bytes: have + bytes.length, complete: false };
  }
  const judged = await store.pictures.judge(part, sha);
  if (!judged.ok) {
    await forget(store, hire, sha);
    return judged;
  }
  const folder = join(store.photos, sha.slice(0, 2));
  await mkdir(folder, { recursive: true });
  await rename(part, fileOf(store, sha));
  await syncFolder(folder);
  const { media, width, height } = judged;
  await store.db.transaction(async (trx) => {
    await trx('photo')
      .insert({ hire, sha, media, bytes: size, width, height, receivedAt: now, role: from?.role ?? null })
      .onConflict(['hire', 'sha'])
      .ignore();
    await trx('photoPart').where({ hire, sha }).del();
  });
  return { ok: true, bytes: size, complete: true };
};

/** Throws away what was begun and left, and files that no row knows any more. @returns how many */
export const clearUnfinished = async (store: Store, now: Date): Promise<number> => {
  const before = new Date(now.getTime() - UNFINISHED_DAYS * DAY_MS);
  const old = await store.db('photoPart').where('touchedAt', '<', before.toISOString()).select('hire', 'sha');
  for (const { hire, sha } of old) await forget(store, hire, sha);
  const known = new Set((await store.db('photoPart').select('hire', 'sha')).map(({ hire, sha }) => `${hire}-${sha}`));
  let cleared = old.length;
  const files = await readdir(partFolder(store)).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return [];
    throw error;
  });
  for (const file of files) {
    if (known.has(file)) continue;
    const path = join(partFolder(store), file);
    // By the clock of the machine, which wrote its time: a demonstration's may be hours ahead.
    if (Date.now() - (await stat(path)).mtimeMs < UNFINISHED_DAYS * DAY_MS) continue;
    await rm(path, { force: true });
    cleared += 1;
  }
  return cleared;
};
