const { getDefaultConfig } = require('expo/metro-config');
const { buildSync } = require('esbuild');
const { createHash } = require('crypto');
const { mkdirSync, rmSync, writeFileSync } = require('fs');
const path = require('path');
const slimContract = require('./slim/contract');
const usedOfZod = require('./slim/zod');

const config = getDefaultConfig(__dirname);

/**
 * Of Zod what our schemas use, and not the messages of forty languages that come with it: the bundler of the web app would
 * keep them all. What is used is read off the schemas, so that there is no list to be forgotten.
 */
const zodUsed = usedOfZod(['../core/src', '../contract/src'].map((folder) => path.join(__dirname, folder)));
mkdirSync(path.join(__dirname, '.slim'), { recursive: true });
writeFileSync(
  path.join(__dirname, '.slim/zod-mini-used.mjs'),
  // Without functions made of text, which our content security policy forbids.
  `import { config } from 'zod/mini';\nconfig({ jitless: true });\nexport { ${zodUsed.join(', ')} } from 'zod/mini';\n`,
);

/** Packages that the bundler of the web app would keep whole, bundled beforehand from a list of what is used of them. */
const slim = { '@noble/hashes/sha2.js': 'sha2', '@tanstack/react-query': 'react-query', 'react-native-svg': 'react-native-svg' };
const listed = Object.fromEntries(
  [...Object.entries(slim), ['zod/mini', 'zod-mini']].map(([name, file]) => {
    const outfile = path.join(__dirname, '.slim', `${file}.mjs`);
    const own = name === 'zod/mini' ? '.slim/zod-mini-used.mjs' : `slim/${file}.mjs`;
    buildSync({
      entryPoints: [path.join(__dirname, own)],
      outfile,
      bundle: true,
      format: 'esm',
      target: 'es2022',
      jsx: 'automatic',
      loader: { '.js': 'jsx' },
      resolveExtensions: ['.web.js', '.web.ts', '.web.tsx', '.mjs', '.js', '.ts', '.tsx'],
      mainFields: ['browser', 'module', 'main'],
      external: [
        'react',
        'react-dom',
        'react/jsx-runtime',
        'react-native',
        'react-native/*',
        'react-native-web',
        'react-native-web/*',
        '@react-native/*',
      ],
      logLevel: 'warning',
    });
    return [name, outfile];
  }),
);
const contract = slimContract(path.join(__dirname, '../contract/src'), path.join(__dirname, '.slim/contract'));
/**
 * Threads of our own, bundled beforehand into hashed files beside the bundler’s, so that they are kept offline and after a
 * new version like those. (Its own way of finding them loses them when it shakes its tree.) Made anew when it starts.
 */
const HASHED = '_expo/static/js/web';
const threadFiles = path.join(__dirname, 'public', HASHED);
rmSync(threadFiles, { recursive: true, force: true });
mkdirSync(threadFiles, { recursive: true });
const threads = Object.fromEntries(
  ['docking', 'photo'].map((name) => {
    const { outputFiles } = buildSync({
      entryPoints: [path.join(__dirname, 'src/workers', `${name}.ts`)],
      bundle: true,
      minify: true,
      write: false,
      format: 'iife',
      target: 'es2022',
      logLevel: 'warning',
    });
    const { text } = outputFiles[0];
    const file = `thread-${name}-${createHash('md5').update(text).digest('hex')}.js`;
    writeFileSync(path.join(threadFiles, file), text);
    const out = path.join(__dirname, '.slim', `thread-${name}.mjs`);
    writeFileSync(out, `export const address = ${JSON.stringify(`/${HASHED}/${file}`)};\n`);
    return [`thread:${name}`, out];
  }),
);
const sources = { ...threads, ...listed, ...contract };

const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  sources[name]
    ? { type: 'sourceFile', filePath: sources[name] }
    : name === './views/Sitemap' && context.originModulePath.includes('expo-router')
      ? { type: 'sourceFile', filePath: path.join(__dirname, 'slim/sitemap.js') }
      : (usual ?? context.resolveRequest)(context, name, platform);
module.exports = config;
