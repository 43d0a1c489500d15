import type { Knex } from 'knex';
import { type Known } from '@quay/core/drill/faults';
import { type Base } from '@quay/core/fleet/base';
import { conditionFaults } from '@quay/core/fleet/condition';
import type { ClassBook } from '@quay/core/fleet/book';
import { BoatBook } from '@quay/core/fleet/book';
import { type BookFault, mergeLists, lineageOf } from '@quay/core/fleet/merge';
import { type BoatName, boatsAt, boatsOfClass, listsOf } from './fleet';
import { putBook } from './pastBook';
import { addBook, classesOf, resolveBook, newest } from './resolvedBook';
import type { SaidEverywhere } from '@quay/contract/fleet';
import { readHandoverPolicy, writeFact, writeHandoverPolicy } from '../../platform/database/setting';
import { versionOf } from '../policy/operator';
import { noteTexts } from './toTranslate';

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
  const resolved = await resolveBook(db, boatBook);
  if (!resolved.ok) return { ok: false, reason: 'faults', faults: resolved.faults };
  return db.transaction(async (trx) => {
    if ((await newest(trx, boat))?.version !== seen) return { ok: false, reason: 'changedMeanwhile' } as const;
    const version = await addBook(trx, boat, { ...resolved, boatBook }, made);
    await noteTexts(trx, `boat/${boat}`, JSON.parse(row.resolved), resolved.book);
    await trx('boat').where({ id: boat }).update({ bookVersion: version, name: boatBook.name, hullNumber: boatBook.hullNumber });
    return { ok: true } as const;
  });
};

export type Changed =
  | { ok: true }
  | { ok: false; reason: 'noSuchBook' | 'changedMeanwhile' | 'otherBook' }
  | { ok: false; reason: 'faults'; faults: BookFault[] };

/** Something does not hold together: whatever was done in the transaction is taken back. */
class NotResolved extends Error {
  constructor(readonly faults: BookFault[]) {
    super('a book does not hold together');
  }
}

/** Resolves the books of these boats anew; those that come out different get a new version. @throws NotResolved */
const resolveAgain = async (trx: Knex, boats: readonly BoatName[], made: { at: string; by: string }) => {
  const faults: BookFault[] = [];
  // A drill that many boats have is looked at once.
  const drillsKnown: Known = new Map();
  for (const { id } of boats) {
    const row = await newest(trx, id);
    if (!row) continue;
    const boatBook = BoatBook.parse(JSON.parse(row.boatBook));
    const resolved = await resolveBook(trx, boatBook, drillsKnown);
    if (!resolved.ok) {
      faults.push(...resolved.faults);
      continue;
    }
    const version = await addBook(trx, id, { ...resolved, boatBook }, made);
    await trx('boat').where({ id }).update({ bookVersion: version });
  }
  if (faults.length > 0) throw new NotResolved(faults);
};

const orFaults = async (work: () => Promise<Changed>): Promise<Changed> => {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof NotResolved)) throw error;
    return { ok: false, reason: 'faults', faults: error.faults };
  }
};

/** Puts a class book in place with everything that is resolved from it, or nothing. Its id stays, and so does what it comes from. */
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
      // A class that no boat comes from yet has to resolve by itself all the same.
      const found = lineageOf(id, classes);
      if (!found.ok) throw new NotResolved([found.fault]);
      const alone = mergeLists(found.lineage);
      if (!alone.ok) throw new NotResolved(alone.faults);
      await noteTexts(trx, `class/${id}`, before, alone.lists);
      await resolveAgain(trx, await boatsOfClass(trx, id, classes), made);
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
      await resolveAgain(trx, await boatsAt(trx, id), made);
      return { ok: true };
    }),
  );

/** Changes what the operator says on every boat; every book that it changes gets a new version. */
export const changeEverywhere = (
  db: Knex,
  { points, clauses }: SaidEverywhere,
  seen: number,
  made: { at: string; by: string },
): Promise<Changed> =>
  orFaults(() =>
    db.transaction(async (trx): Promise<Changed> => {
      if ((await versionOf(trx)) !== seen) return { ok: false, reason: 'changedMeanwhile' };
      const faults = points.flatMap(({ id, when }) => (when ? conditionFaults(when, `points[${id}].when`, {}) : []));
      if (new Set(points.map(({ id }) => id)).size < points.length) faults.push({ path: 'points', reason: 'an id is used twice' });
      if (faults.length > 0) return { ok: false, reason: 'faults', faults: faults.map((fault) => ({ book: 'operator', ...fault })) };
      const { clauses: _, ...without } = await readHandoverPolicy(trx);
      await writeHandoverPolicy(trx, { ...without, points, ...(clauses ? { clauses } : {}) });
      await writeFact(trx, 'operatorVersion', String(seen + 1));
      await resolveAgain(trx, await trx('boat').orderBy('name').select('id', 'name'), made);
      return { ok: true };
    }),
  );
