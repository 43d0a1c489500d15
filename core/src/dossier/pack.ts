import { unzipSync, zipSync } from 'fflate';

/** Files of a dossier by name. */
export type Files = ReadonlyMap<string, Uint8Array>;

/** Every file of a ZIP carries this time, as the clock on the wall shows it: the same files are always the same bytes. */
const ALWAYS = new Date(1980, 0, 1, 0, 0, 0);

const byName = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The library keeps files by name in an object, in which this one name is not a file's. */
const NO_NAME = '__proto__';

/**
 * Packs files so that there is one way to do it: sorted by name, stored as they are, one fixed date.
 * @throws where a file is called what no file can be called
 */
export const pack = (files: Files): Uint8Array => {
  if (files.has(NO_NAME)) throw new Error(`No file of a dossier can be called ${NO_NAME}.`);
  return zipSync(
    Object.fromEntries([...files].sort(([a], [b]) => byName(a, b)).map(([name, data]) => [name, [data, { level: 0, mtime: ALWAYS }]])),
  );
};

/** Opens a ZIP that {@link pack} made; nothing when it is none, or when its files do not pack to the very same bytes. */
export const unpack = (bytes: Uint8Array): { ok: true; files: Files } | { ok: false; reason: 'noZip' | 'notPackedSo' } => {
  let files: Files;
  try {
    files = new Map(Object.entries(unzipSync(bytes)));
  } catch {
    // Whatever the library could not make of it, it is no ZIP to us.
    return { ok: false, reason: 'noZip' };
  }
  const again = pack(files);
  const same = again.length === bytes.length && again.every((byte, i) => byte === bytes[i]);
  return same ? { ok: true, files } : { ok: false, reason: 'notPackedSo' };
};
