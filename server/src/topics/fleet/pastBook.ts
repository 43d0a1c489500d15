import type { Knex } from 'knex';

/** Class and base books as they were: each version that another took the place of is kept to be compared with. */

export type Shelf = 'classBook' | 'base';
export type Made = { at: string; by: string | null };
export type VersionMade = { version: number; madeAt: string | null; madeBy: string | null };
type Row = VersionMade & { body: string };

/**
 * Puts a class or base book in place; one that says the same stays as it is. @returns its version
 * @param columns what else the table holds of it
 */
export const putBook = async (
  trx: Knex,
  shelf: Shelf,
  book: { id: string },
  columns: Readonly<Record<string, string>>,
  made: Made,
): Promise<number> => {
  const body = JSON.stringify(book);
  const old = (await trx(shelf).where({ id: book.id }).first('version', 'body', 'madeAt', 'madeBy')) as Row | undefined;
  if (!old) {
    await trx(shelf).insert({ id: book.id, ...columns, body, madeAt: made.at, madeBy: made.by });
    return 1;
  }
  if (old.body === body) return old.version;
  const { version } = old;
  await trx('pastBook').insert({ shelf, book: book.id, version, body: old.body, madeAt: old.madeAt, madeBy: old.madeBy });
  await trx(shelf)
    .where({ id: book.id })
    .update({ ...columns, body, version: version + 1, madeAt: made.at, madeBy: made.by });
  return version + 1;
};

/** Every version there is, newest first, with who made it; nobody where it was imported. */
export const versionsOf = async (db: Knex, shelf: Shelf, id: string): Promise<VersionMade[]> => {
  const columns = (table: string) => [`${table}.version`, `${table}.madeAt`, 'staff.name as madeBy'];
  const now = (await db(shelf)
    .leftJoin('staff', 'staff.id', `${shelf}.madeBy`)
    .where(`${shelf}.id`, id)
    .select(columns(shelf))) as VersionMade[];
  const past = (await db('pastBook')
    .leftJoin('staff', 'staff.id', 'pastBook.madeBy')
    .where({ shelf, book: id })
    .orderBy('pastBook.version', 'desc')
    .select(columns('pastBook'))) as VersionMade[];
  return [...now, ...past];
};

/** The file of a book as it was in a version, which may be today's. */
export const bodyOf = async (db: Knex, shelf: Shelf, id: string, version: number): Promise<string | undefined> => {
  const now = (await db(shelf).where({ id, version }).first('body')) as Pick<Row, 'body'> | undefined;
  return (now ?? (await db('pastBook').where({ shelf, book: id, version }).first('body')))?.body;
};
