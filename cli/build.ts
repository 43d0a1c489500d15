import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const LEFT_OUT = new Set(['node_modules', 'dist', '.expo', '.threads', 'fonts', '_expo']);
/** Made by the build itself. */
const MADE = join('app', 'public', 'handbook');
const filesIn = (path: string): string[] => {
  const entries = readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1));
  return entries.flatMap((entry) =>
    LEFT_OUT.has(entry.name) || join(path, entry.name) === MADE
      ? []
      : entry.isDirectory()
        ? filesIn(join(path, entry.name))
        : [join(path, entry.name)],
  );
};

/** What a build was made from: unchanged, it need not be made again. */
const fingerprint = (folders: readonly string[]): string => {
  const hash = createHash('sha256');
  for (const folder of [...folders, 'package-lock.json']) {
    for (const file of folder.includes('.') ? [folder] : filesIn(folder)) {
      if (/\.test\.tsx?$/.test(file)) continue;
      hash.update(file).update('\0').update(readFileSync(file)).update('\0');
    }
  }
  return hash.digest('hex');
};

/** Loaded only where something is to be built: that takes longer than most commands do. */
const bundler = () => import('../app/build');

const once = async (name: string, folders: readonly string[], made: string, make: () => Promise<unknown>) => {
  mkdirSync('.build', { recursive: true });
  const stamp = `.build/${name}.stamp`;
  const now = fingerprint(folders);
  if (existsSync(stamp) && existsSync(made) && readFileSync(stamp, 'utf8') === now) return;
  console.error(`building the ${name} …`);
  await make();
  writeFileSync(stamp, now);
};

/** Builds the server and, unless told otherwise, the web app, each only when something changed. */
export const buildAll = async ({ app = true } = {}): Promise<void> => {
  await once('server', ['core', 'contract', 'simulators', 'server', 'starters'], 'server/dist/quay.mjs', async () =>
    (await import('../server/build')).buildServer('server/dist'),
  );
  if (app) await once('app', ['core', 'contract', 'app', 'docs/handbook'], 'app/dist/sw.js', async () => (await bundler()).buildApp());
};

/** Builds the empty Paper and Router page that first views are measured against, with the same switches. */
export const buildEmptyPage = (): Promise<void> =>
  once('empty page', ['bench/empty-page'], 'bench/empty-page/dist/index.html', async () =>
    (await bundler()).exportWeb('bench/empty-page', 'dist'),
  );
