import { randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Copy } from '../../platform/pictures/work';
import type { Store } from '../../platform/database/open';

/** Photographs that arrived whole: which hire has them, where they lie, and copies made of them. */

export const fileOf = (store: Store, sha: string) => join(store.photos, sha.slice(0, 2), sha);

export const photoRow = async (store: Store, hire: string, sha: string): Promise<{ media: string; bytes: number } | undefined> =>
  await store.db('photo').where({ hire, sha }).first('media', 'bytes');

/** Bytes of a file, 0 where there is none. */
export const sizeOf = async (file: string): Promise<number> => {
  try {
    return (await stat(file)).size;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return 0;
    throw error;
  }
};

/** Makes a rename or a new file last through a power cut. */
export const syncFolder = async (folder: string): Promise<void> => {
  const handle = await open(folder, 'r');
  await handle.sync().finally(() => handle.close());
};

const copyFile = (store: Store, sha: string, copy: Copy): string =>
  copy === 'small' ? `${fileOf(store, sha)}.small` : join(store.photos, copy, `${sha}.jpg`);

/** Who makes a copy just now: whoever else asks for the same one waits for theirs. */
const making = new Map<string, Promise<void>>();

const make = async (store: Store, sha: string, copy: Copy, file: string): Promise<void> => {
  await mkdir(join(file, '..'), { recursive: true });
  // Written beside and put in place whole: a machine that stops in the middle leaves no half of it.
  const part = `${file}.${randomUUID()}.part`;
  try {
    await store.pictures.copy(fileOf(store, sha), copy, part);
    await rename(part, file);
  } finally {
    await rm(part, { force: true });
  }
};

/** A copy of a photograph that the quay has, made once and kept. @throws when there is none, it takes too much, or the disk is full */
export const copyOf = async (store: Store, sha: string, copy: Copy): Promise<Buffer> => {
  const file = copyFile(store, sha, copy);
  if ((await sizeOf(file)) === 0) {
    const mine = making.get(file) ?? make(store, sha, copy, file).finally(() => making.delete(file));
    making.set(file, mine);
    await mine;
  }
  return readFile(file);
};
