import type { Knex } from 'knex';
import { drillFaults, type Known } from '@quay/core/drill/faults';
import { pointsInOrder } from '@quay/core/briefing/compose';
import { Base as BaseBook, type Base } from '@quay/core/fleet/base';
import { conditionFaults } from '@quay/core/fleet/condition';
import { BoatBook, Book, ClassBook, LISTS } from '@quay/core/fleet/book';
import { type Comparable, comparableBase, comparableClass } from '@quay/core/fleet/compare';
import { type BookFault, mergeBooks, layLists, laySingles, lineageOf, type Lists, type Origins } from '@quay/core/fleet/merge';
import { digestOf } from '@quay/core/events/canonical';
import type { Waters } from '@quay/core/waters/zone';
import type { BaseShelf, BoatShelf, ClassShelf } from '@quay/contract/fleet';
import { bodyOf, putBook, versionsOf } from './pastBook';
import { readHandoverPolicy } from '../../platform/database/setting';
import { type BookKey, foundRight, noteTexts, waitingTexts } from './toTranslate';

type BookRow = {
  boat: string;
  version: number;
  digest: string;
  boatBook: string;
  laid: string;
  madeAt: string | null;
  madeBy: string | null;
};

/** Adds a version of a boat's book when it says something new; ids of old versions stay as they were. @returns its version */
export const addBook = async (
  db: Knex,
  boat: string,
  { lineage, boatBook, book }: { lineage: readonly ClassBook[]; boatBook: BoatBook; book: Book },
  made: { at: string; by: string | null },
): Promise<number> => {
  const last = await db('book').where({ boat }).orderBy('version', 'desc').first('version', 'digest');
  const digest = digestOf(JSON.parse(JSON.stringify(book)));
  if (last?.digest === digest) return last.version;
  const version = (last?.version ?? 0) + 1;
  await db('book').insert({
    boat,
    version,
    digest,
    classBook: JSON.stringify(lineage),
    boatBook: JSON.stringify(boatBook),
    laid: JSON.stringify(book),
    madeAt: made.at,
    madeBy: made.by,
  });
  return version;
};

type Laid = { ok: true; lineage: ClassBook[]; book: Book; origins: Origins } | { ok: false; faults: BookFault[] };

const classesOf = async (db: Knex): Promise<Map<string, ClassBook>> =>
  new Map((await db('classBook').select('id', 'body')).map(({ id, body }) => [id, ClassBook.parse(JSON.parse(body))]));

/** Drills of a book that her newest one does not have just so: those were looked at when they were kept. */
const newDrills = async (db: Knex, boat: string, drills: Book['drills']): Promise<Book['drills']> => {
  const row = await newest(db, boat);
  const kept = new Set(((row && (JSON.parse(row.laid) as Partial<Book>).drills) ?? []).map((drill) => JSON.stringify(drill)));
  return drills.filter((drill) => !kept.has(JSON.stringify(drill)));
};

/** Lays a boat's book over the classes as they stand, with the points of base, waters and operator. */
const lay = async (db: Knex, boatBook: BoatBook, drillsKnown: Known = new Map()): Promise<Laid> => {
  const found = lineageOf(boatBook.class, await classesOf(db));
  if (!found.ok) return { ok: false, faults: [found.fault] };
  const laid = mergeBooks(found.lineage, boatBook);
  if (!laid.ok) return laid;
  const drills = drillFaults(await newDrills(db, boatBook.id, laid.book.drills), laid.origins.drills, boatBook.id, drillsKnown);
  if (drills.length > 0) return { ok: false, faults: drills };
  const read = async <T>(table: 'base' | 'waters', id: string): Promise<T | undefined> => {
    const row = (await db(table).where({ id }).first('body')) as { body: string } | undefined;
    return row && (JSON.parse(row.body) as T);
  };
  const base = await read<Base>('base', boatBook.base);
  if (!base) return { ok: false, faults: [{ book: boatBook.id, path: 'base', reason: `there is no base “${boatBook.base}”` }] };
  const waters = await read<Waters>('waters', boatBook.waters ?? base.waters);
  const ground = [...(await readHandoverPolicy(db)).points, ...base.points, ...(waters?.points ?? [])];
  return { ok: true, lineage: found.lineage, book: { ...laid.book, points: pointsInOrder(laid.book, ground) }, origins: laid.origins };
};

const plainOrigins = (origins: Origins) =>
  Object.fromEntries(Object.entries(origins).map(([list, rows]) => [list, Object.fromEntries(rows)]));

/** Ids of every list as a stack of layers lays them; none where there is no stack. */
const idsOf = (layers: readonly (ClassBook | BoatBook)[]): Record<string, string[]> => {
  const laid = layLists(layers);
  // What bears boats was laid before it was kept.
  if (!laid.ok) throw new Error(`classes no longer lay: ${laid.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
  return Object.fromEntries(Object.entries(laid.lists).map(([list, rows]) => [list, rows.map(({ id }) => id)]));
};

const aboutOf = (layers: readonly (ClassBook | BoatBook)[], below: readonly ClassBook[]) => ({
  ...laySingles(layers),
  below: laySingles(below).value,
});

const newest = async (db: Knex, boat: string): Promise<BookRow | undefined> =>
  await db('book').where({ boat }).orderBy('version', 'desc').first();

/** Everything a manager sees of a boat's book. */
export const shelfOf = async (db: Knex, boat: string): Promise<BoatShelf | undefined> => {
  const row = await newest(db, boat);
  if (!row) return undefined;
  const boatBook = BoatBook.parse(JSON.parse(row.boatBook));
  const laid = await lay(db, boatBook);
  if (!laid.ok)
    throw new Error(`boat ${boat}: her book no longer lays: ${laid.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
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
    laid: laid.book,
    origins: plainOrigins(laid.origins),
    ids: idsOf([...laid.lineage, boatBook]),
    below: idsOf(laid.lineage),
    classNames: Object.fromEntries(laid.lineage.map(({ id, name }) => [id, name])),
    about: aboutOf([...laid.lineage, boatBook], laid.lineage),
    version: row.version,
    versions,
    toTranslate: await waitingTexts(db, [`boat/${boat}`, ...laid.lineage.map(({ id }): BookKey => `class/${id}`)]),
  };
};

export const bookVersion = async (db: Knex, boat: string, version: number): Promise<Book | undefined> => {
  const row = await db('book').where({ boat, version }).first('laid');
  return row && Book.parse(JSON.parse(row.laid));
};

/** Puts a boat's own book in place, when nobody else has since `seen`. Base and class stay: moving a boat is no edit of her book. */
export const changeBook = async (
  db: Knex,
  boat: string,
  boatBook: BoatBook,
  seen: number,
  made: { at: string; by: string },
): Promise<
  | { ok: true }
  | { ok: false; reason: 'noSuchBoat' | 'changedMeanwhile' | 'otherBoat' }
  | { ok: false; reason: 'faults'; faults: BookFault[] }
> => {
  const row = await newest(db, boat);
  if (!row) return { ok: false, reason: 'noSuchBoat' };
  if (row.version !== seen) return { ok: false, reason: 'changedMeanwhile' };
  const own = BoatBook.parse(JSON.parse(row.boatBook));
  if (boatBook.id !== boat || boatBook.class !== own.class || boatBook.base !== own.base) return { ok: false, reason: 'otherBoat' };
  const laid = await lay(db, boatBook);
  if (!laid.ok) return { ok: false, reason: 'faults', faults: laid.faults };
  return db.transaction(async (trx) => {
    if ((await newest(trx, boat))?.version !== seen) return { ok: false, reason: 'changedMeanwhile' } as const;
    const version = await addBook(trx, boat, { ...laid, boatBook }, made);
    await noteTexts(trx, `boat/${boat}`, JSON.parse(row.laid), laid.book);
    await trx('boat').where({ id: boat }).update({ bookVersion: version, name: boatBook.name, hullNumber: boatBook.hullNumber });
    return { ok: true } as const;
  });
};

type BoatName = { id: string; name: string };
/** Boats of a class and of every class that comes from it. */
const boatsOfClass = async (db: Knex, id: string, classes: ReadonlyMap<string, ClassBook>): Promise<BoatName[]> => {
  const rows = (await db('boat')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.id', 'boat.name', 'book.boatBook')) as (BoatName & { boatBook: string })[];
  return rows.filter(({ boatBook }) => {
    const found = lineageOf((JSON.parse(boatBook) as BoatBook).class, classes);
    return found.ok && found.lineage.some((one) => one.id === id);
  });
};
const boatsAt = async (db: Knex, base: string): Promise<BoatName[]> =>
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
  };
};

export const classShelfOf = async (db: Knex, id: string): Promise<ClassShelf | undefined> => {
  const row = await db('classBook').where({ id }).first('version');
  if (!row) return undefined;
  const classes = await classesOf(db);
  const found = lineageOf(id, classes);
  if (!found.ok) throw new Error(`class ${id}: ${found.fault.reason}`);
  const laid = layLists(found.lineage);
  if (!laid.ok) throw new Error(`class ${id} no longer lays: ${laid.faults.map(({ path, reason }) => `${path} ${reason}`).join('; ')}`);
  return {
    classBook: found.lineage[found.lineage.length - 1]!,
    lists: laid.lists,
    origins: plainOrigins(laid.origins),
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

/** The lists of a class as they are laid now. */
const listsOf = async (db: Knex, id: string): Promise<Lists | undefined> => {
  const found = lineageOf(id, await classesOf(db));
  const laid = found.ok ? layLists(found.lineage) : undefined;
  return laid?.ok ? laid.lists : undefined;
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
  const laid = layLists(found.lineage);
  // What a class below has lost since cannot be laid under an old version any more; its own rows can be compared all the same.
  const lists = laid.ok ? laid.lists : (Object.fromEntries(LISTS.map((list) => [list, own[list] ?? []])) as Lists);
  return comparableClass(own, lists, laySingles(found.lineage).value);
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

export type Changed =
  | { ok: true }
  | { ok: false; reason: 'noSuchBook' | 'changedMeanwhile' | 'otherBook' }
  | { ok: false; reason: 'faults'; faults: BookFault[] };

/** Something does not hold together: whatever was done in the transaction is taken back. */
class Unlaid extends Error {
  constructor(readonly faults: BookFault[]) {
    super('a book does not hold together');
  }
}

/** Lays the books of these boats anew; those that come out different get a new version. @throws Unlaid */
const layAgain = async (trx: Knex, boats: readonly BoatName[], made: { at: string; by: string }) => {
  const faults: BookFault[] = [];
  // A drill that is laid into many boats is looked at once.
  const drillsKnown: Known = new Map();
  for (const { id } of boats) {
    const row = await newest(trx, id);
    if (!row) continue;
    const boatBook = BoatBook.parse(JSON.parse(row.boatBook));
    const laid = await lay(trx, boatBook, drillsKnown);
    if (!laid.ok) {
      faults.push(...laid.faults);
      continue;
    }
    const version = await addBook(trx, id, { ...laid, boatBook }, made);
    await trx('boat').where({ id }).update({ bookVersion: version });
  }
  if (faults.length > 0) throw new Unlaid(faults);
};

const orFaults = async (work: () => Promise<Changed>): Promise<Changed> => {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof Unlaid)) throw error;
    return { ok: false, reason: 'faults', faults: error.faults };
  }
};

/** Puts a class book in place with everything that is laid from it, or nothing. Its id stays, and so does what it comes from. */
export const changeClass = (db: Knex, id: string, classBook: ClassBook, seen: number, made: { at: string; by: string }): Promise<Changed> =>
  orFaults(() =>
    db.transaction(async (trx): Promise<Changed> => {
      const row = await trx('classBook').where({ id }).first('version', 'body');
      if (!row) return { ok: false, reason: 'noSuchBook' };
      if (row.version !== seen) return { ok: false, reason: 'changedMeanwhile' };
      if (classBook.id !== id || classBook.from !== (JSON.parse(row.body) as ClassBook).from) return { ok: false, reason: 'otherBook' };
      const before = await listsOf(trx, id);
      await putBook(trx, 'classBook', classBook, {}, made);
      const classes = await classesOf(trx);
      // A class that no boat is laid from yet has to lay by itself all the same.
      const found = lineageOf(id, classes);
      if (!found.ok) throw new Unlaid([found.fault]);
      const alone = layLists(found.lineage);
      if (!alone.ok) throw new Unlaid(alone.faults);
      await noteTexts(trx, `class/${id}`, before, alone.lists);
      await layAgain(trx, await boatsOfClass(trx, id, classes), made);
      return { ok: true };
    }),
  );

/** Puts a base book in place; its zone and waters stay, since hires are told by them. */
export const changeBase = (db: Knex, id: string, base: Base, seen: number, made: { at: string; by: string }): Promise<Changed> =>
  orFaults(() =>
    db.transaction(async (trx): Promise<Changed> => {
      const row = await trx('base').where({ id }).first('version', 'body');
      if (!row) return { ok: false, reason: 'noSuchBook' };
      if (row.version !== seen) return { ok: false, reason: 'changedMeanwhile' };
      const old = JSON.parse(row.body) as Base;
      if (base.id !== id || base.zone !== old.zone || base.waters !== old.waters) return { ok: false, reason: 'otherBook' };
      const faults = base.points.flatMap(({ id: point, when }) => (when ? conditionFaults(when, `points[${point}].when`, {}) : []));
      if (faults.length > 0) return { ok: false, reason: 'faults', faults: faults.map((fault) => ({ book: id, ...fault })) };
      await putBook(trx, 'base', base, { name: base.name }, made);
      await noteTexts(trx, `base/${id}`, old, base);
      await layAgain(trx, await boatsAt(trx, id), made);
      return { ok: true };
    }),
  );

export type BoatRow = { id: string; name: string; hullNumber: string; base: string; bookVersion: number; className: string };

/** Boats with the name of their class and base, by name. */
export const boatsOf = async (db: Knex): Promise<BoatRow[]> => {
  type Row = Omit<BoatRow, 'className'> & { laid: string };
  const rows = (await db('boat')
    .join('base', 'base.id', 'boat.base')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.id', 'boat.name', 'boat.hullNumber', 'base.name as base', 'boat.bookVersion', 'book.laid')) as Row[];
  const classes = new Map(
    (await db('classBook').select('id', 'body')).map(({ id, body }) => [id, (JSON.parse(body) as { name: string }).name]),
  );
  return rows.map(({ laid, ...row }) => {
    const [own = ''] = (JSON.parse(laid) as { classes?: string[] }).classes ?? [];
    return { ...row, className: classes.get(own) ?? own };
  });
};
