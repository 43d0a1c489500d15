import { Book } from '@quay/core/fleet/book';
import type { Knex } from 'knex';

/** Book of a hire: the version its walk began with, or today's while it has not begun. */
export const bookOf = async (db: Knex, boat: string, version: number | undefined): Promise<{ book: Book; version: number } | undefined> => {
  const wanted = version ?? (await db('boat').where({ id: boat }).first('bookVersion'))?.bookVersion;
  const row = wanted === undefined ? undefined : await db('book').where({ boat, version: wanted }).first('resolved', 'version');
  // Books from before some lists were thought of are read for ever.
  return row && { book: Book.parse(JSON.parse(row.resolved)), version: row.version };
};

/** Whether there is such a boat. */
export const boatExists = async (db: Knex, id: string): Promise<boolean> => (await db('boat').where({ id }).first('id')) !== undefined;
