const { readdirSync, readFileSync } = require('node:fs');
const path = require('node:path');
const zod = require('zod/mini');

const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    return entry.isDirectory() ? filesIn(file) : /\.ts$/.test(entry.name) && !/\.test\.ts$/.test(entry.name) ? [file] : [];
  });

/** What our schemas call of Zod, by the names after `z.`; types are no part of it, and formats are written by the quay alone. */
module.exports = (folders) => {
  const names = folders.flatMap(filesIn).flatMap((file) => {
    const text = readFileSync(file, 'utf8');
    return text.includes("'zod/mini'") ? [...text.matchAll(/\bz\.(\w+)/g)].map(([, name]) => name) : [];
  });
  return [...new Set(names)].filter((name) => name in zod && name !== 'toJSONSchema').sort();
};
