const { buildSync } = require('esbuild');
const { mkdirSync, readdirSync, writeFileSync } = require('fs');
const Module = require('module');
const path = require('path');

/** What the browser needs of a declared endpoint: where it is and how it is called. Its shapes are the quay's to check. */
const FIELDS = ['name', 'method', 'path', 'takesBytes', 'versioned'];
const isEndpoint = (value) => typeof value === 'object' && value !== null && 'roles' in value && 'path' in value;
/** Data through and through; a schema is none, having functions in it. */
const isPlain = (value) =>
  ['string', 'number', 'boolean'].includes(typeof value) ||
  (Array.isArray(value) && value.every(isPlain)) ||
  (typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype && Object.values(value).every(isPlain));

/**
 * Writes the contract as the browser calls it, from the same declarations: endpoints without their schemas, and plain
 * figures. @returns for each module of the contract the file that stands for it
 */
module.exports = (from, to) => {
  mkdirSync(to, { recursive: true });
  return Object.fromEntries(
    readdirSync(from)
      .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
      .map((file) => {
        const { outputFiles } = buildSync({
          entryPoints: [path.join(from, file)],
          bundle: true,
          write: false,
          format: 'cjs',
          platform: 'node',
          logLevel: 'warning',
        });
        const made = new Module(file);
        made.paths = module.paths;
        made._compile(outputFiles[0].text, path.join(from, file));
        const lines = Object.entries(made.exports).flatMap(([name, value]) => {
          if (isEndpoint(value)) return [`export const ${name} = ${JSON.stringify(value, FIELDS)};`];
          return isPlain(value) ? [`export const ${name} = ${JSON.stringify(value)};`] : [];
        });
        const name = file.slice(0, -'.ts'.length);
        const out = path.join(to, `${name}.mjs`);
        writeFileSync(out, `${lines.join('\n')}\n`);
        return [`@quay/contract/${name}`, out];
      }),
  );
};
