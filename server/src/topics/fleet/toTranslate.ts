import type { Knex } from 'knex';
import { type StaleTexts, staleTexts } from '@quay/core/words/toTranslate';

/** Texts of books that were changed in one language and not in the others, by book: `class/pontoon-7`, `boat/tuppenny-bun`, `base/ossel-quay`. */
export type BookKey = `${'class' | 'boat' | 'base'}/${string}`;

const read = async (db: Knex, book: BookKey): Promise<StaleTexts> => {
  const row = await db('toTranslate').where({ book }).first('texts');
  return row ? (JSON.parse(row.texts) as StaleTexts) : {};
};
const write = async (db: Knex, book: BookKey, texts: StaleTexts): Promise<void> => {
  if (Object.keys(texts).length === 0) await db('toTranslate').where({ book }).del();
  else
    await db('toTranslate')
      .insert({ book, texts: JSON.stringify(texts) })
      .onConflict('book')
      .merge();
};

/** Notes what a change leaves to be translated. @param before the book as it is resolved, and after the change */
export const noteTexts = async (trx: Knex, book: BookKey, before: unknown, after: unknown): Promise<void> =>
  write(trx, book, staleTexts(before, after, await read(trx, book)));

/** By path, the languages that wait; of several books together. */
export const waitingTexts = async (db: Knex, books: readonly BookKey[]): Promise<Record<string, string[]>> => {
  const waiting: Record<string, string[]> = {};
  for (const book of books)
    for (const [path, { languages }] of Object.entries(await read(db, book)))
      waiting[path] = [...new Set([...(waiting[path] ?? []), ...languages])];
  return waiting;
};

/** Somebody has read a text in the languages that wait, and it is right as it is. @returns whether any waited */
export const foundRight = async (db: Knex, books: readonly BookKey[], path: string): Promise<boolean> => {
  let any = false;
  for (const book of books) {
    const { [path]: stale, ...others } = await read(db, book);
    if (!stale) continue;
    any = true;
    await write(db, book, others);
  }
  return any;
};
