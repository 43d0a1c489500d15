import type { Knex } from 'knex';
import { pointsInOrder } from '@quay/core/briefing/compose';
import type { Base } from '@quay/core/fleet/base';
import { BoatBook, Book, ClassBook } from '@quay/core/fleet/book';
import { type BookFault, layBooks, lineageOf, type Origins } from '@quay/core/fleet/lay';
import { digestOf } from '@quay/core/record/canonical';
import type { Waters } from '@quay/core/waters/zone';
import type { BoatShelf } from '@quay/contract/fleet';
import { readHanding } from './setting';

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
  const last = (await db('book').where({ boat }).orderBy('version', 'desc').first('version', 'digest')) as
    Pick<BookRow, 'version' | 'digest'> | undefined;
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

/** Lays a boat's book over the classes as they stand, with the points of base, waters and operator. */
const lay = async (db: Knex, boatBook: BoatBook): Promise<Laid> => {
  const rows = (await db('classBook').select('id', 'body')) as { id: string; body: string }[];
  const classes = new Map(rows.map(({ id, body }) => [id, ClassBook.parse(JSON.parse(body))]));
  const found = lineageOf(boatBook.class, classes);
  if (!found.ok) return { ok: false, faults: [found.fault] };
  const laid = layBooks(found.lineage, boatBook);
  if (!laid.ok) return laid;
  const read = async <T>(table: 'base' | 'waters', id: string): Promise<T | undefined> => {
    const row = (await db(table).where({ id }).first('body')) as { body: string } | undefined;
    return row && (JSON.parse(row.body) as T);
  };
  const base = await read<Base>('base', boatBook.base);
  if (!base) return { ok: false, faults: [{ book: boatBook.id, path: 'base', reason: `there is no base “${boatBook.base}”` }] };
  const waters = await read<Waters>('waters', boatBook.waters ?? base.waters);
  const ground = [...(await readHanding(db)).points, ...base.points, ...(waters?.points ?? [])];
  return { ok: true, lineage: found.lineage, book: { ...laid.book, points: pointsInOrder(laid.book, ground) }, origins: laid.origins };
};

const newest = async (db: Knex, boat: string): Promise<BookRow | undefined> =>
  (await db('book').where({ boat }).orderBy('version', 'desc').first()) as BookRow | undefined;

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
    origins: Object.fromEntries(laid.origins.points),
    classNames: Object.fromEntries(laid.lineage.map(({ id, name }) => [id, name])),
    version: row.version,
    versions,
  };
};

export const bookVersion = async (db: Knex, boat: string, version: number): Promise<Book | undefined> => {
  const row = (await db('book').where({ boat, version }).first('laid')) as Pick<BookRow, 'laid'> | undefined;
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
    await trx('boat').where({ id: boat }).update({ bookVersion: version, name: boatBook.name, hullNumber: boatBook.hullNumber });
    return { ok: true } as const;
  });
};
