import { createRequire } from 'node:module';
import { readFile } from 'node:fs/promises';

const find = createRequire(import.meta.url);
const FONTS = {
  slab: '@expo-google-fonts/zilla-slab/600SemiBold/ZillaSlab_600SemiBold.ttf',
  text: '@expo-google-fonts/atkinson-hyperlegible/400Regular/AtkinsonHyperlegible_400Regular.ttf',
  bold: '@expo-google-fonts/atkinson-hyperlegible/700Bold/AtkinsonHyperlegible_700Bold.ttf',
};
export const INK = '#17211E';
export const SOFT = '#51605B';
export const WEED = '#0E5E52';
export const LEAD = '#A8201A';

/** The fonts that paper is written in, ready to be registered under their names. */
export const paperFonts = (): Promise<(readonly [string, Buffer])[]> =>
  Promise.all(Object.entries(FONTS).map(async ([name, file]) => [name, await readFile(find.resolve(file))] as const));

/** The fonts' no-break spaces have no outline that the PDF library can read; on paper lines break where they must. */
export const onPaper = (text: string): string => text.replace(/[\u00A0\u2007\u202F]/g, ' ');
