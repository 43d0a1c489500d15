import { build } from 'esbuild';
import { readFileSync } from 'node:fs';

const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string };

const SERVER = {
  quay: 'server/src/quay.ts',
  tool: 'server/src/tool.ts',
  compare: 'server/src/topics/photo/compare/thread.ts',
  compareCommand: 'server/src/topics/photo/compare/main.ts',
  incoming: 'server/src/topics/exchange/thread.ts',
  import: 'server/src/import/thread.ts',
  track: 'server/src/topics/trip/track/thread.ts',
  picture: 'server/src/platform/pictures/process.ts',
};

/** Bundles the server (or what is to run beside it) and everything of ours; packages stay where npm put them. */
export const buildServer = (outdir: string, entryPoints: Record<string, string> = SERVER): Promise<unknown> =>
  build({
    entryPoints,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    logLevel: 'warning',
    define: { QUAY_VERSION: JSON.stringify(version) },
    // Ours are bundled, everybody else's are required at run time.
    plugins: [
      {
        name: 'ours',
        setup: (b) => {
          b.onResolve({ filter: /^[^./]/ }, ({ path }) => (path.startsWith('@quay/') ? undefined : { path, external: true }));
        },
      },
    ],
  });
