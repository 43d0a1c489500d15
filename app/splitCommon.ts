import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * The bundler lays whatever two screens share into one file and loads that before anything else: with a file for each
 * screen, nearly all of the app. Here it is parted on purpose: what the first view of either face needs comes first, the
 * rest is a file of its own that is fetched with the first screen behind it (`data-shared` of the page says where).
 */

type Module = { id: number; needs: number[]; text: string };

/** A module as the bundler writes it, beginning on a line of its own: `__d(function(…){…},12,[3,4]);` */
const MODULE = /^__d\([^]*,(\d+),(\[[\d,]*\]|\{[^]*\})\);?\s*$/;

/** @throws Error when a line is no module: then the bundler writes otherwise than it did, and nothing is parted */
const modulesIn = (code: string, file: string): Module[] =>
  code
    .split(/\n(?=__d\()/)
    .filter((part) => part.startsWith('__d('))
    .map((text) => {
      const [, id, needs] = MODULE.exec(text) ?? [];
      if (id === undefined || needs === undefined) throw new Error(`${file}: a module that cannot be read: ${text.slice(0, 80)}…`);
      // With files of others named beside them they stand in an object: {"0":12,…,"paths":{…}}.
      const ids = needs.startsWith('[') ? needs : needs.slice(0, needs.indexOf('"paths"') + 1 || undefined);
      return { id: Number(id), needs: (ids.replace(/"\d+":/g, '').match(/\d+/g) ?? []).map(Number), text };
    });

/** Everything that some modules need, and what that needs, as far as it is among these. */
const reachable = (from: Iterable<number>, among: ReadonlyMap<number, Module>): Set<number> => {
  const found = new Set<number>();
  const open = [...from];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    const module = among.get(id);
    if (!module || found.has(id)) continue;
    found.add(id);
    open.push(...module.needs);
  }
  return found;
};

/** Parts the file of what is shared. @param dist the exported app @param first beginnings of the names of files that make the first views */
export const splitCommon = (dist: string, first: readonly string[]): void => {
  const folder = join(dist, '_expo/static/js/web');
  const names = readdirSync(folder);
  const read = (name: string) => readFileSync(join(folder, name), 'utf8');
  const [common, ...more] = names.filter((name) => name.startsWith('__common-'));
  if (common === undefined || more.length > 0) throw new Error(`${folder}: one file of what is shared was looked for`);
  const code = read(common);
  const modules = modulesIn(code, common);
  const byId = new Map(modules.map((module) => [module.id, module]));
  const begins = names.filter((name) => name.endsWith('.js') && first.some((beginning) => name.startsWith(`${beginning}-`)));
  if (begins.length !== first.length) throw new Error(`${folder}: of ${first.join(', ')} only ${begins.join(', ')} are there`);
  const early = reachable(
    begins.flatMap((name) => modulesIn(read(name), name).flatMap(({ needs }) => needs)),
    byId,
  );
  const write = (name: string, of: readonly Module[]): string => {
    const text = `${of.map((module) => module.text).join('\n')}\n`;
    const file = `${name}-${createHash('md5').update(text).digest('hex')}.js`;
    writeFileSync(join(folder, file), text);
    return file;
  };
  const before = write(
    '__first',
    modules.filter(({ id }) => early.has(id)),
  );
  const shared = write(
    '__shared',
    modules.filter(({ id }) => !early.has(id)),
  );
  rmSync(join(folder, common));
  for (const page of readdirSync(dist).filter((name) => name.endsWith('.html'))) {
    const html = readFileSync(join(dist, page), 'utf8');
    writeFileSync(join(dist, page), html.replaceAll(common, before).replace('<html', `<html data-shared="/_expo/static/js/web/${shared}"`));
  }
};
