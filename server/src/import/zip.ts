import { unzipSync, zipSync } from 'fflate';
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

/** Files of an installation in a ZIP, which somebody may have made to mean ill. */

const MOST_FILES = 5000;
/** Of all files together, once they are unpacked, bytes. */
const MOST_BYTES = 128 * 1024 ** 2;
/** What an installation is made of; everything else is left out. */
const KNOWN =
  /^(operator\.json|bases\.json|(prices|hires|staff)\.csv|logo\.(jpg|png)|(boats|classes|rules)\/[A-Za-z0-9][A-Za-z0-9._-]{0,99}\.json|waters\/[A-Za-z0-9][A-Za-z0-9._-]{0,99}\.geojson)$/;

/** Why a ZIP is none that can be read. */
export class ZipFault extends Error {
  constructor(readonly why: 'noZip' | 'tooMany' | 'tooLarge' | 'empty') {
    super(why);
  }
}

/** The folder that everything lies in, as most programs pack one; with its slash. */
const rootOf = (names: readonly string[]): string => {
  const files = names.filter((name) => !name.endsWith('/'));
  const [first = ''] = files;
  const root = first.slice(0, first.indexOf('/') + 1);
  return root !== '' && !/^(boats|classes|rules|waters)\/$/.test(root) && files.every((name) => name.startsWith(root)) ? root : '';
};

/**
 * Writes what a ZIP holds of an installation into a folder.
 * @returns names of the files that were written, and of those that are no part of one @throws ZipFault
 */
export const unzipInto = (bytes: Uint8Array, folder: string): { files: string[]; left: string[] } => {
  const names: string[] = [];
  let size = 0;
  let found: Record<string, Uint8Array>;
  try {
    found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        names.push(name);
        if (names.length > MOST_FILES) throw new ZipFault('tooMany');
        // What a file says of its size is what room it is given: it can be no larger.
        size += originalSize;
        if (size > MOST_BYTES) throw new ZipFault('tooLarge');
        return !name.endsWith('/');
      },
    });
  } catch (error) {
    if (error instanceof ZipFault) throw error;
    // Whatever the library could not make of it, it is no ZIP to us.
    throw new ZipFault('noZip');
  }
  const root = rootOf(names);
  const files: string[] = [];
  const left: string[] = [];
  for (const [whole, data] of Object.entries(found)) {
    const name = whole.slice(root.length);
    if (!KNOWN.test(name)) {
      // Programs add their own beside what somebody packed.
      if (!/(^|\/)(\.DS_Store|__MACOSX|Thumbs\.db)/.test(whole)) left.push(whole.slice(0, 200));
      continue;
    }
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), data);
    files.push(name);
  }
  if (files.length === 0) throw new ZipFault('empty');
  return { files: files.sort(), left: left.sort() };
};

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });

/** A folder as a ZIP. */
export const zipOf = (folder: string): Uint8Array =>
  zipSync(Object.fromEntries(filesIn(folder).map((path) => [relative(folder, path), readFileSync(path)])), { level: 6 });
