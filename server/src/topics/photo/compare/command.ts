import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { dirname, resolve } from 'node:path';
import type { FilesCompared } from './compareFiles';
import { comparer } from './pool';

export type Listed = { out: string; back: string };

/**
 * Pairs of a list file: a line each, the two names parted by a tab or by spaces; names that hold spaces in double quotes. Empty
 * lines and those that begin with # say nothing. Names are taken from where the list lies.
 * @throws Error that names the line
 */
export const readList = (text: string, folder: string): Listed[] =>
  text.split(/\r?\n/).flatMap((line, i): Listed[] => {
    if (line.trim() === '' || line.trim().startsWith('#')) return [];
    const names = [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, bare]) => quoted ?? bare!);
    const [out, back] = names;
    if (names.length !== 2 || out === undefined || back === undefined)
      throw new Error(`line ${i + 1}: a line names two files, departure first; this one names ${names.length}.`);
    return [{ out: resolve(folder, out), back: resolve(folder, back) }];
  });

const WORDS: Record<Exclude<FilesCompared['reason'], null>, string> = {
  dark: 'one of them is too dark',
  fewFeatures: 'there is too little on one of them to go by',
  otherPlace: 'they do not show the same side: take it again from where the first was taken',
  mirrored: 'one of them is mirrored',
  upsideDown: 'one of them is upside down',
  viewpoint: 'they were taken from too different places: a step back towards where the first was taken',
  otherBoat: 'they show boats of one kind, but not the same boat',
};

const lines = (boxes: FilesCompared['boxes'], first: number): string[] =>
  boxes.map(
    ({ x, y, width, height, strength }, i) => `  ${first + i}: ${x},${y} ${width} × ${height} px, ${Math.round(strength * 100)} % likely`,
  );

/** What came of a pair, in words; the likeliest first. @param all with what is too faint to be boxed */
const spoken = (seen: FilesCompared, all: boolean): string => {
  if (!seen.comparable) return `cannot be compared: ${WORDS[seen.reason]}`;
  const { boxes, fainter } = seen;
  return [
    ...(boxes.length === 0 ? ['nothing new is seen'] : lines(boxes, 1)),
    ...(all && fainter.length > 0 ? ['  fainter:', ...lines(fainter, boxes.length + 1)] : []),
  ].join('\n');
};

/** `./quay compare OUT IN [--fainter] [--json]`, `./quay compare --list FILE [--fainter] [--json]`. @returns whether every pair could be read */
export const compareCommand = async (args: readonly string[], dist: string, named: (file: string) => string): Promise<boolean> => {
  const [json, all] = [args.includes('--json'), args.includes('--fainter')];
  const list = args.indexOf('--list');
  const names = args.filter((one, i) => !one.startsWith('--') && (list < 0 || i !== list + 1));
  const file = list < 0 ? undefined : args[list + 1];
  const pairs =
    file !== undefined
      ? readList(await readFile(named(file), 'utf8'), dirname(named(file)))
      : names.length === 2
        ? [{ out: named(names[0]!), back: named(names[1]!) }]
        : undefined;
  if (!pairs) throw new Error('./quay compare OUT.jpg IN.jpg [--fainter] [--json], or ./quay compare --list FILE [--fainter] [--json]');
  const threads = comparer(dist, Math.min(pairs.length, availableParallelism()));
  let whole = true;
  try {
    const seen = pairs.map(({ out, back }) =>
      threads.compare({ out, back, pictures: false }).then(
        (found) => ({ out, back, ...found }),
        (error: Error) => ({ out, back, error: error.message }),
      ),
    );
    // Said in the order they were named, each as soon as it and those before it are done.
    for (const next of seen) {
      const one = await next;
      if ('error' in one) whole = false;
      const { out, back, ...found } = one;
      if (json) console.log(JSON.stringify(file === undefined ? found : one));
      else console.log(`${pairs.length > 1 ? `${out} · ${back}\n` : ''}${'error' in found ? found.error : spoken(found, all)}`);
    }
  } finally {
    await threads.end();
  }
  return whole;
};
