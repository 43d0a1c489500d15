import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Rooms whose files are counted, and what in them is no code of ours to part. */
const ROOTS = ['core/src', 'contract/src', 'simulators/src', 'server/src', 'app/src', 'app/sw', 'cli', 'e2e', 'bench'];
const isTest = (path: string) => /\.test\.|\/testing\/|^e2e\//.test(path);
/** Catalogues of words and drawings are as long as what they say and show. */
const isWordsOrDrawing = (path: string) => /\/i18n\/|[wW]ords\.ts$|drawings\.tsx$|instruments\.tsx$/.test(path);

const CAST = new RegExp('as unknown' + ' as', 'g');
/** More lines than these are several ideas. */
const LINES = 300;
const FILES = 20;
/** How many there may be of what cannot always be had. */
const MOST = { casts: 5, longFiles: 5, fullFolders: 3 };

type Folder = { path: string; files: string[] };

const foldersIn = (path: string): Folder[] => {
  const entries = readdirSync(path, { withFileTypes: true }).filter(({ name }) => name !== 'node_modules' && name !== 'dist');
  const files = entries.flatMap((one) => (one.isFile() && /\.tsx?$/.test(one.name) ? [join(path, one.name)] : []));
  return [{ path, files }, ...entries.flatMap((one) => (one.isDirectory() ? foldersIn(join(path, one.name)) : []))];
};

/** What a program prints as JSON, however it ends; it ends badly when it finds something. @throws when it prints none */
const jsonOf = (command: string, args: readonly string[]): unknown => {
  const { stdout, stderr } = spawnSync('npx', [command, ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });
  try {
    return JSON.parse(stdout);
  } catch {
    throw new Error(`${command} said nothing that can be read: ${stderr || stdout}`);
  }
};

type Cruised = { summary: { violations: { from: string; to: string; rule: { name: string } }[] } };
type Issue = { file: string } & Record<string, unknown>;

/** How the house is laid, counted and printed. @returns how many of the counts are over what they may be */
export const checkHouse = (): number => {
  const { violations } = (jsonOf('depcruise', ['--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...ROOTS]) as Cruised)
    .summary;
  const arrows = violations.map(({ from, to, rule }) => `${rule.name}: ${from} → ${to}`);
  const isCircle = (arrow: string) => arrow.startsWith('no-circle');
  const { issues } = jsonOf('knip', ['--no-progress', '--reporter', 'json']) as { issues: Issue[] };
  const unused = issues.flatMap(({ file, ...found }) =>
    Object.entries(found).flatMap(([what, rows]) =>
      Array.isArray(rows) ? rows.map((row: { name: string }) => `${what}: ${file} ${row.name}`) : [],
    ),
  );
  const folders = ROOTS.flatMap(foldersIn).map(({ path, files }) => ({ path, files: files.filter((file) => !isTest(file)) }));
  const texts = folders.flatMap(({ files }) => files.map((path) => ({ path, text: readFileSync(path, 'utf8') })));
  const counts: [string, readonly string[], number][] = [
    ['circles', arrows.filter(isCircle), 0],
    ['arrows that lead upward', arrows.filter((arrow) => !isCircle(arrow)), 0],
    ['exports, files and packages that nobody uses', unused, 0],
    ['casts through unknown, outside tests', texts.flatMap(({ path, text }) => [...text.matchAll(CAST)].map(() => path)), MOST.casts],
    [
      `files over ${LINES} lines, without words, drawings and tests`,
      texts.flatMap(({ path, text }) => (text.split('\n').length - 1 > LINES && !isWordsOrDrawing(path) ? [path] : [])),
      MOST.longFiles,
    ],
    [`folders over ${FILES} files`, folders.flatMap(({ path, files }) => (files.length > FILES ? [path] : [])), MOST.fullFolders],
  ];
  for (const [what, found, most] of counts)
    console.log(`     ${what}: ${[`${found.length} (at most ${most})`, ...found].join('\n       ')}`);
  return counts.filter(([, found, most]) => found.length > most).length;
};
