import { zipSync } from 'fflate';
import { pathOfFile } from '../../../platform/fileDrop';

/** The files that somebody chose or dropped as one ZIP; one that is a ZIP already is sent as it is. */
export const bundle = async (files: readonly File[]): Promise<Blob> => {
  const [only] = files;
  if (files.length === 1 && only && /\.zip$/i.test(only.name)) return only;
  const inside = await Promise.all(files.map(async (file) => [pathOfFile(file), new Uint8Array(await file.arrayBuffer())] as const));
  return new Blob([zipSync(Object.fromEntries(inside), { level: 1 }).slice().buffer]);
};
