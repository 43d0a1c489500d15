import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { PHOTOGRAPHS, type PhotographPackage } from './photographs';

const run = promisify(execFile);
const LARGEST_LISTING = 1 << 26;

/** Debian's archive of a package, fetched into a folder. apt checks that it is what Debian signed. */
const fetchArchive = async (name: string, folder: string): Promise<string> => {
  const fetched = async () => {
    await run('apt-get', ['download', name], { cwd: folder });
    const file = (await readdir(folder)).find((one) => one.startsWith(`${name}_`) && one.endsWith('.deb'));
    if (file === undefined) throw new Error(`apt-get fetched no archive of ${name}`);
    return join(folder, file);
  };
  try {
    return await fetched();
  } catch {
    // A machine that has just been set up knows no packages yet.
    await run('apt-get', ['update']);
    return await fetched();
  }
};

/** Takes out of an archive what is wanted, under the names that {@link PhotographPackage} gives it. */
const unpack = async (archive: string, { files }: PhotographPackage, to: string): Promise<void> => {
  const [packed, wanted] = [`${to}.tar`, files.map((file) => `./${file}`)];
  try {
    await run('sh', ['-c', 'dpkg-deb --fsys-tarfile "$1" >"$2"', 'sh', archive, packed], { maxBuffer: LARGEST_LISTING });
    await run('tar', ['-xf', packed, '-C', to, ...wanted]);
  } finally {
    await rm(packed, { force: true });
  }
};

/**
 * Photographs that Debian's packages ship, fetched once and kept below a folder; nothing is installed.
 * @param only names of packages, all of them without
 * @returns where each package's files lie, by its name
 * @throws Error where this is no Debian or a package cannot be had
 */
export const fetchPhotographs = async (folder: string, only?: readonly string[]): Promise<Map<string, string>> => {
  const at = new Map<string, string>();
  for (const one of PHOTOGRAPHS.filter(({ name }) => only?.includes(name) ?? true)) {
    const place = join(folder, one.name);
    at.set(one.name, place);
    if (existsSync(join(place, 'complete'))) continue;
    const [making, archives] = [`${place}.part`, `${place}.deb`];
    for (const each of [making, archives, place]) await rm(each, { recursive: true, force: true });
    for (const each of [making, archives]) await mkdir(each, { recursive: true });
    try {
      await unpack(await fetchArchive(one.name, archives), one, making);
      await writeFile(join(making, 'complete'), '');
      await rename(making, place);
    } catch (error) {
      throw new Error(`The photographs of Debian's package ${one.name} cannot be had: ${(error as Error).message}`, { cause: error });
    } finally {
      for (const each of [making, archives]) await rm(each, { recursive: true, force: true });
    }
  }
  return at;
};
