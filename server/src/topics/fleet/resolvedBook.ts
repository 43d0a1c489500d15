import type { Knex } from 'knex';
import { drillFaults, type Known } from '@quay/core/drill/faults';
import { pointsInOrder } from '@quay/core/briefing/compose';
import { type Base } from '@quay/core/fleet/base';
import type { BoatBook, Book } from '@quay/core/fleet/book';
import { ClassBook } from '@quay/core/fleet/book';
import { digestOf } from '@quay/core/events/canonical';
import { type BookFault, mergeBooks, lineageOf, type Origins } from '@quay/core/fleet/merge';
import type { Waters } from '@quay/core/waters/zone';
import { readHandoverPolicy } from '../../platform/database/setting';

export type Resolved = { ok: true; lineage: ClassBook[]; book: Book; origins: Origins } | { ok: false; faults: BookFault[] };

export const classesOf = async (db: Knex): Promise<Map<string, ClassBook>> =>
  new Map((await db('classBook').select('id', 'body')).map(({ id, body }) => [id, ClassBook.parse(JSON.parse(body))]));

/** Drills of a book that her newest one does not have just so: those were looked at when they were kept. */
const newDrills = async (db: Knex, boat: string, drills: Book['drills']): Promise<Book['drills']> => {
  const row = await newest(db, boat);
  const kept = new Set(((row && (JSON.parse(row.resolved) as Partial<Book>).drills) ?? []).map((drill) => JSON.stringify(drill)));
  return drills.filter((drill) => !kept.has(JSON.stringify(drill)));
};

/** Merges a boat's book over the classes as they stand, with the points of base, waters and operator. */
export const resolveBook = async (db: Knex, boatBook: BoatBook, drillsKnown: Known = new Map()): Promise<Resolved> => {
  const found = lineageOf(boatBook.class, await classesOf(db));
  if (!found.ok) return { ok: false, faults: [found.fault] };
  const resolved = mergeBooks(found.lineage, boatBook);
  if (!resolved.ok) return resolved;
  const drills = drillFaults(await newDrills(db, boatBook.id, resolved.book.drills), resolved.origins.drills, boatBook.id, drillsKnown);
  if (drills.length > 0) return { ok: false, faults: drills };
  const read = async <T>(table: 'base' | 'waters', id: string): Promise<T | undefined> => {
    const row = (await db(table).where({ id }).first('body')) as { body: string } | undefined;
    return row && (JSON.parse(row.body) as T);
  };
  const base = await read<Base>('base', boatBook.base);
  if (!base) return { ok: false, faults: [{ book: boatBook.id, path: 'base', reason: `there is no base “${boatBook.base}”` }] };
  const waters = await read<Waters>('waters', boatBook.waters ?? base.waters);
  const { points, clauses } = await readHandoverPolicy(db);
  const ground = [...points, ...base.points, ...(waters?.points ?? [])];
  return {
    ok: true,
    lineage: found.lineage,
    book: { ...resolved.book, points: pointsInOrder(resolved.book, ground), ...(clauses ? { clauses } : {}) },
    origins: resolved.origins,
  };
};

type BookRow = {
  boat: string;
  version: number;
  digest: string;
  boatBook: string;
  resolved: string;
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
  if (last?.digest === digest) {
    // What is walked with is the same. Her name, or which layer says what, may be another: the next edit begins from that.
    await db('book')
      .where({ boat, version: last.version })
      .update({ classBook: JSON.stringify(lineage), boatBook: JSON.stringify(boatBook) });
    return last.version;
  }
  const version = (last?.version ?? 0) + 1;
  await db('book').insert({
    boat,
    version,
    digest,
    classBook: JSON.stringify(lineage),
    boatBook: JSON.stringify(boatBook),
    resolved: JSON.stringify(book),
    people: book.plate.people,
    madeAt: made.at,
    madeBy: made.by,
  });
  return version;
};

export const newest = async (db: Knex, boat: string): Promise<BookRow | undefined> =>
  await db('book').where({ boat }).orderBy('version', 'desc').first();
