const { getDefaultConfig } = require('expo/metro-config');
const { buildSync } = require('esbuild');
const path = require('path');

const config = getDefaultConfig(__dirname);
const slim = path.join(__dirname, '.slim', 'zod-mini.mjs');
buildSync({
  entryPoints: [path.join(__dirname, 'slim/zod-mini.mjs')],
  outfile: slim,
  bundle: true,
  format: 'esm',
  target: 'es2022',
  logLevel: 'warning',
});

const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  name === 'zod/mini' ? { type: 'sourceFile', filePath: slim } : (usual ?? context.resolveRequest)(context, name, platform);
module.exports = config;
