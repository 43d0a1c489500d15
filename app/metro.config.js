const { getDefaultConfig } = require('expo/metro-config');
const { buildSync } = require('esbuild');
const path = require('path');
const slimContract = require('./slim/contract');

const config = getDefaultConfig(__dirname);

/** Packages that the bundler of the web app would keep whole, bundled beforehand from a list of what is used of them. */
const slim = { '@noble/hashes/sha2.js': 'sha2', '@tanstack/react-query': 'react-query', 'react-native-svg': 'react-native-svg' };
const listed = Object.fromEntries(
  Object.entries(slim).map(([name, file]) => {
    const outfile = path.join(__dirname, '.slim', `${file}.mjs`);
    buildSync({
      entryPoints: [path.join(__dirname, 'slim', `${file}.mjs`)],
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
const sources = { ...listed, ...contract, 'zod/mini': path.join(__dirname, 'slim/zod-mini.js') };

const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  sources[name] ? { type: 'sourceFile', filePath: sources[name] } : (usual ?? context.resolveRequest)(context, name, platform);
module.exports = config;
