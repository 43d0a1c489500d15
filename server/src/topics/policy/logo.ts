import { LOGO_LIMIT_BYTES } from '@quay/contract/operator';
import { createHash } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Store } from '../../platform/database/open';
import { dropFact, readFact, writeFact } from '../../platform/database/setting';
import { fail } from '../../platform/http/problem';
import { TooHeavy } from '../../platform/pictures/pictures';

/** The logo that papers begin with, as paper takes it. */

const shaOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** The logo, JPEG; nothing where there is none. */
export const readLogo = async (db: Knex): Promise<Buffer | undefined> => {
  const kept = await readFact(db, 'logo');
  return kept === undefined ? undefined : Buffer.from(kept, 'base64');
};
export const nameOfLogo = async (db: Knex): Promise<string | null> => {
  const logo = await readLogo(db);
  return logo ? shaOf(logo) : null;
};

/**
 * A picture as paper takes it. It is opened where photographs are, and only what it looks like is left of it.
 * @throws ProblemError `tooLarge`, `noImage`, `heic`, `truncated`, `tooManyPixels`, `tooHeavy`
 */
export const logoFrom = async ({ pictures }: Pick<Store, 'pictures'>, bytes: Uint8Array): Promise<Buffer> => {
  if (bytes.length > LOGO_LIMIT_BYTES) return fail(413, 'tooLarge');
  const room = await mkdtemp(join(tmpdir(), 'quay-logo-'));
  try {
    const [file, out] = [join(room, 'brought'), join(room, 'kept.jpg')];
    await writeFile(file, bytes);
    const judged = await pictures.judge(file, shaOf(bytes));
    if (!judged.ok) return fail(422, judged.fault);
    await pictures.copy(file, 'paper', out);
    return await readFile(out);
  } catch (error) {
    if (error instanceof TooHeavy) return fail(422, 'tooHeavy');
    throw error;
  } finally {
    await rm(room, { recursive: true, force: true });
  }
};

/** Keeps a logo that `logoFrom` made. @returns its name */
export const keepLogo = async (db: Knex, logo: Uint8Array): Promise<string> => {
  await writeFact(db, 'logo', Buffer.from(logo).toString('base64'));
  return shaOf(logo);
};

export const dropLogo = (db: Knex) => dropFact(db, 'logo');
