import type { Knex } from 'knex';
import { Base as BaseBook } from '@quay/core/fleet/base';
import { BoatBook, Book, ClassBook, LISTS } from '@quay/core/fleet/book';
import { type Comparable, comparableBase, comparableClass } from '@quay/core/fleet/compare';
import { mergeLists, mergeSingles, lineageOf, type Lists, type Origins } from '@quay/core/fleet/merge';
import type { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import type { BaseShelf, BoatShelf, ClassShelf, Everywhere } from '@quay/contract/fleet';
import { readHandoverPolicy } from '../../platform/database/setting';
import { versionOf } from '../policy/operator';
import { knownHere } from './lacking';
import { bodyOf, versionsOf } from './pastBook';
import { rulesThere } from './rules';
import { watersThere } from './waters';
import { classesOf, resolveBook, newest } from './resolvedBook';
import { type BookKey, foundRight, waitingTexts } from './toTranslate';

const plainOrigins = (origins: Origins) =>
  Object.fromEntries(Object.entries(origins).map(([list, rows]) => [list, Object.fromEntries(rows)]));

/** Ids of every list of a stack of layers; none where there is no stack. */
const idsOf = (layers: readonly (ClassBook | BoatBook)[]): Record<string, string[]> => {
  const resolved = mergeLists(layers);
  // What bears boats was resolved before it was kept.
  if (!resolved.ok)
    throw new Error(`classes no longer merge: ${resolved.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
  return Object.fromEntries(Object.entries(resolved.lists).map(([list, rows]) => [list, rows.map(({ id }) => id)]));
};

const aboutOf = (layers: readonly (ClassBook | BoatBook)[], below: readonly ClassBook[]) => ({
  ...mergeSingles(layers),
  below: mergeSingles(below).value,
});

/** Everything a manager sees of a boat's book. */
export const shelfOf = async (db: Knex, boat: string, now: string): Promise<BoatShelf | undefined> => {
  const row = await newest(db, boat);
  if (!row) return undefined;
  const boatBook = BoatBook.parse(JSON.parse(row.boatBook));
  const resolved = await resolveBook(db, boatBook);
  if (!resolved.ok)
    throw new Error(`boat ${boat}: her book no longer lays: ${resolved.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
  const versions = (await db('book')
    .leftJoin('staff', 'staff.id', 'book.madeBy')
    .where('book.boat', boat)
    .orderBy('book.version', 'desc')
    .select(
      'book.version',
      'book.madeAt',
      'staff.name as madeBy',
      db('hire').count().whereRaw('hire.boat = book.boat and hire."bookVersion" = book.version').as('hires'),
    )) as BoatShelf['versions'];
  return {
    boatBook,
    resolved: resolved.book,
    origins: plainOrigins(resolved.origins),
    ids: idsOf([...resolved.lineage, boatBook]),
    below: idsOf(resolved.lineage),
    classNames: Object.fromEntries(resolved.lineage.map(({ id, name }) => [id, name])),
    about: aboutOf([...resolved.lineage, boatBook], resolved.lineage),
    version: row.version,
    versions,
    toTranslate: await waitingTexts(db, [`boat/${boat}`, ...resolved.lineage.map(({ id }): BookKey => `class/${id}`)]),
    known: await knownHere(db, now),
  };
};

export const bookVersion = async (db: Knex, boat: string, version: number): Promise<Book | undefined> => {
  const row = await db('book').where({ boat, version }).first('resolved');
  return row && Book.parse(JSON.parse(row.resolved));
};

export type BoatName = { id: string; name: string };
/** Boats of a class and of every class that comes from it. */
export const boatsOfClass = async (db: Knex, id: string, classes: ReadonlyMap<string, ClassBook>): Promise<BoatName[]> => {
  const rows = (await db('boat')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.id', 'boat.name', 'book.boatBook')) as (BoatName & { boatBook: string })[];
  return rows.filter(({ boatBook }) => {
    const found = lineageOf((JSON.parse(boatBook) as BoatBook).class, classes);
    return found.ok && found.lineage.some((one) => one.id === id);
  });
};
export const boatsAt = async (db: Knex, base: string): Promise<BoatName[]> =>
  await db('boat').where({ base }).orderBy('name').select('id', 'name');
const namesOf = (boats: readonly BoatName[]) => boats.map(({ name }) => name);

export const booksOf = async (db: Knex) => {
  const classes = await classesOf(db);
  const bases = await db('base').orderBy('name').select('id', 'name');
  return {
    classes: await Promise.all(
      [...classes.values()].map(async ({ id, name, from }) => ({
        id,
        name,
        from: from ?? null,
        boats: namesOf(await boatsOfClass(db, id, classes)),
      })),
    ),
    bases: await Promise.all(bases.map(async ({ id, name }) => ({ id, name, boats: namesOf(await boatsAt(db, id)) }))),
    rules: await rulesThere(db),
    waters: await watersThere(db),
  };
};

export const classShelfOf = async (db: Knex, id: string): Promise<ClassShelf | undefined> => {
  const row = await db('classBook').where({ id }).first('version');
  if (!row) return undefined;
  const classes = await classesOf(db);
  const found = lineageOf(id, classes);
  if (!found.ok) throw new Error(`class ${id}: ${found.fault.reason}`);
  const resolved = mergeLists(found.lineage);
  if (!resolved.ok)
    throw new Error(`class ${id} no longer lays: ${resolved.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
  return {
    classBook: found.lineage[found.lineage.length - 1]!,
    lists: resolved.lists,
    origins: plainOrigins(resolved.origins),
    below: idsOf(found.lineage.slice(0, -1)),
    classNames: Object.fromEntries(found.lineage.map((one) => [one.id, one.name])),
    plan: [...found.lineage].reverse().find(({ plan }) => plan !== undefined)?.plan ?? null,
    about: aboutOf(found.lineage, found.lineage.slice(0, -1)),
    version: row.version,
    versions: await versionsOf(db, 'classBook', id),
    toTranslate: await waitingTexts(
      db,
      found.lineage.map((one): BookKey => `class/${one.id}`),
    ),
    boats: namesOf(await boatsOfClass(db, id, classes)),
  };
};

/** The resolved lists of a class as they are now. */
export const listsOf = async (db: Knex, id: string): Promise<Lists | undefined> => {
  const found = lineageOf(id, await classesOf(db));
  const resolved = found.ok ? mergeLists(found.lineage) : undefined;
  return resolved?.ok ? resolved.lists : undefined;
};

/** A text is right as it is in the languages that waited for a translation. @returns whether any did, or undefined for a book that is not there */
export const textFoundRight = async (db: Knex, of: { is: 'class' | 'boat' | 'base'; id: string; path: string }): Promise<boolean> => {
  const { is, id, path } = of;
  const classes = await classesOf(db);
  const row = is === 'boat' ? await newest(db, id) : undefined;
  const lowest = is === 'class' ? id : row && (JSON.parse(row.boatBook) as BoatBook).class;
  const found = lowest === undefined ? undefined : lineageOf(lowest, classes);
  const below = found?.ok ? found.lineage.map((one): BookKey => `class/${one.id}`) : [];
  return foundRight(db, is === 'class' ? below : [`${is}/${id}`, ...below], path);
};

/** A class as it was in a version, over the classes it comes from as they are now. */
export const classVersion = async (db: Knex, id: string, version: number): Promise<Comparable | undefined> => {
  const body = await bodyOf(db, 'classBook', id, version);
  if (body === undefined) return undefined;
  const own = ClassBook.parse(JSON.parse(body));
  const found = lineageOf(id, new Map([...(await classesOf(db)), [id, own]]));
  if (!found.ok) throw new Error(`class ${id}: ${found.fault.reason}`);
  const resolved = mergeLists(found.lineage);
  // What a class below has lost since cannot be merged under an old version any more; its own rows can be compared all the same.
  const lists = resolved.ok ? resolved.lists : (Object.fromEntries(LISTS.map((list) => [list, own[list] ?? []])) as Lists);
  return comparableClass(own, lists, mergeSingles(found.lineage).value);
};

export const baseShelfOf = async (db: Knex, id: string): Promise<BaseShelf | undefined> => {
  const row = await db('base').where({ id }).first('body', 'version');
  return (
    row && {
      base: BaseBook.parse(JSON.parse(row.body)),
      version: row.version,
      versions: await versionsOf(db, 'base', id),
      toTranslate: await waitingTexts(db, [`base/${id}`]),
      boats: namesOf(await boatsAt(db, id)),
    }
  );
};

export const baseVersion = async (db: Knex, id: string, version: number): Promise<Comparable | undefined> => {
  const body = await bodyOf(db, 'base', id, version);
  return body === undefined ? undefined : comparableBase(BaseBook.parse(JSON.parse(body)));
};

/** Of how an operator works, what is said on every boat. */
const saidEverywhere = ({ points, clauses }: HandoverPolicy): Pick<Everywhere, 'points' | 'clauses'> => ({
  points,
  ...(clauses ? { clauses } : {}),
});

/** What the operator says on every boat. */
export const everywhere = async (db: Knex): Promise<Everywhere> => ({
  ...saidEverywhere(await readHandoverPolicy(db)),
  version: await versionOf(db),
  boats: namesOf(await db('boat').orderBy('name').select('id', 'name')),
});
