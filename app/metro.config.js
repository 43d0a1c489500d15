const { getDefaultConfig } = require('expo/metro-config');
const { buildSync } = require('esbuild');
const { createHash } = require('crypto');
const { mkdirSync, readFileSync, rmSync, writeFileSync } = require('fs');
const path = require('path');

const config = getDefaultConfig(__dirname);

/**
 * Threads of our own, bundled beforehand into hashed files beside the bundler’s, so that they are kept offline and after a
 * new version like those. (Its own way of finding them loses them when it shakes its tree.) Made anew when it starts.
 */
const HASHED = '_expo/static/js/web';
const threadFiles = path.join(__dirname, 'public', HASHED);
rmSync(threadFiles, { recursive: true, force: true });
mkdirSync(threadFiles, { recursive: true });
const addresses = path.join(__dirname, '.threads');
mkdirSync(addresses, { recursive: true });
const threads = Object.fromEntries(
  ['docking', 'drill', 'photo', 'reach'].map((name) => {
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
    const out = path.join(addresses, `${name}.mjs`);
    writeFileSync(out, `export const address = ${JSON.stringify(`/${HASHED}/${file}`)};\n`);
    return [`worker:${name}`, out];
  }),
);

/** The chart's style sheet, fetched when the first chart is opened: a style that is imported stands in the page from the start. */
const sheet = [require.resolve('leaflet/dist/leaflet.css'), path.join(__dirname, 'src/platform/chart/chart.css')]
  .map((file) => readFileSync(file, 'utf8'))
  .join('\n');
const sheetFile = `chart-${createHash('md5').update(sheet).digest('hex')}.css`;
writeFileSync(path.join(threadFiles, sheetFile), sheet);
const sheetOut = path.join(addresses, 'chartStyle.mjs');
writeFileSync(sheetOut, `export const address = ${JSON.stringify(`/${HASHED}/${sheetFile}`)};\n`);
threads['style:chart'] = sheetOut;

const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  threads[name] ? { type: 'sourceFile', filePath: threads[name] } : (usual ?? context.resolveRequest)(context, name, platform);
module.exports = config;
