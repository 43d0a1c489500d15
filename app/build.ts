import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { copyFileSync, cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, relative } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { injectManifest } from 'workbox-build';
import { BuildError } from '../cli/run';
import { makeHandbook } from './handbook';
import { splitCommon } from './splitCommon';

const find = createRequire(import.meta.url);
const FONTS = [
  '@expo-google-fonts/zilla-slab/600SemiBold/ZillaSlab_600SemiBold.ttf',
  '@expo-google-fonts/zilla-slab/700Bold/ZillaSlab_700Bold.ttf',
  '@expo-google-fonts/atkinson-hyperlegible/400Regular/AtkinsonHyperlegible_400Regular.ttf',
  '@expo-google-fonts/atkinson-hyperlegible/700Bold/AtkinsonHyperlegible_700Bold.ttf',
];

/** The same switches for the app and for the empty page it is measured against. */
export const EXPO = {
  CI: '1',
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
  EXPO_UNSTABLE_TREE_SHAKING: '1',
  NODE_ENV: 'production',
};

/** Exports one of the two apps. @throws BuildError */
export const exportWeb = (folder: string, out: string): Promise<void> =>
  new Promise((resolve, reject) => {
    const child = spawn('npx', ['expo', 'export', '-p', 'web', '--output-dir', out], {
      cwd: folder,
      env: { ...process.env, ...EXPO },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    child.once('error', reject);
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new BuildError(`The web app in ${folder}/ could not be built; the reason stands above.`)),
    );
  });

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)],
  );

const OLD = '.build/old-web';
const HASHED = 'app/dist/_expo/static';
const OLD_KEPT_MS = 30 * 86_400_000;

/** Sets hashed files of the last build aside: a page that is open goes on with them, long after a new version is out. */
const setOldAside = () => {
  if (existsSync(OLD)) {
    for (const file of filesIn(OLD)) {
      // Dated when it was first set aside; here and, copied there at the last build, in the last build.
      if (Date.now() - statSync(file).mtimeMs <= OLD_KEPT_MS) continue;
      rmSync(file);
      rmSync(join(HASHED, relative(OLD, file)), { force: true });
    }
  }
  if (existsSync(HASHED)) cpSync(HASHED, OLD, { recursive: true, force: false });
};

/** The two faces, each with a worker of its own that keeps its own files and not the other's, nor what only a manager at a desk opens. Of the handbook its words are kept; its pictures come when they are looked at. */
const FACES = [
  { name: 'staff', scope: '', leaves: ['**/renter-*.js'], keeps: ['handbook/*.json'] },
  { name: 'renter', scope: 'r/', leaves: ['**/staff-*.js', '**/{ExpertSheet,boards,WatersPage,TrackPage,leaflet-geoman}-*.js'], keeps: [] },
];

/** Makes the service worker of a face. */
const keepOffline = async ({ name, scope, leaves, keeps }: (typeof FACES)[number]) => {
  await build({
    entryPoints: [`app/sw/${name}.ts`],
    outfile: `.build/sw-${name}.js`,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
  mkdirSync(`app/dist/${scope}`, { recursive: true });
  const { count, size, warnings } = await injectManifest({
    swSrc: `.build/sw-${name}.js`,
    swDest: `app/dist/${scope}sw.js`,
    globDirectory: 'app/dist',
    globPatterns: ['**/*.{html,js,css,ttf,svg,webmanifest}', ...keeps],
    globIgnores: ['**/sw.js', ...leaves],
    // Said from the root, whatever the worker's own place.
    modifyURLPrefix: { '': '/' },
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
    // Names that carry their hash need no revision.
    dontCacheBustURLsMatching: /-[0-9a-f]{32}\./,
  });
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
  console.error(`app: ${count} files of the ${name}’s face kept offline, ${Math.round(size / 1024)} kB`);
};

/** Builds the web app into `app/dist`: export, fonts, service workers, brotli; hashed files of older builds beside it. */
export const buildApp = async (): Promise<void> => {
  setOldAside();
  rmSync('app/dist', { recursive: true, force: true });
  mkdirSync('app/public/fonts', { recursive: true });
  for (const font of FONTS) copyFileSync(find.resolve(font), join('app/public/fonts', font.split('/').pop()!));
  makeHandbook('docs/handbook', 'app/public/handbook');
  await exportWeb('app', 'dist');
  // What an entry is parsed with before it is kept is fetched by itself, whichever screen it comes from.
  splitCommon('app/dist', ['staff', 'renter']);
  rmSync('app/dist/metadata.json', { force: true });
  for (const face of FACES) await keepOffline(face);
  for (const file of filesIn('app/dist')) {
    if (!/\.(html|js|css|ttf|svg|webmanifest|json)$/.test(file) || statSync(file).size < 512) continue;
    const bytes = readFileSync(file);
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
    );
  }
  if (existsSync(OLD)) cpSync(OLD, HASHED, { recursive: true, force: false });
};
