import type { Knex } from 'knex';
import type { NewBase } from '@quay/contract/newBoat';
import type { Known } from '@quay/core/drill/faults';
import { Base } from '@quay/core/fleet/base';
import { BoatBook, type ClassBook } from '@quay/core/fleet/book';
import { idOf } from '@quay/core/fleet/edit';
import { lineageOf, mergeBooks } from '@quay/core/fleet/merge';
import { bookFromAnswers, sisterOf } from '@quay/core/fleet/starter/make';
import { questionsOf, type StarterAnswers } from '@quay/core/fleet/starter/questions';
import type { Waters } from '@quay/core/waters/zone';
import { fail, ProblemError } from '../../platform/http/problem';
import { putBook } from './pastBook';
import { addBook, classesOf, newest, resolveBook } from './resolvedBook';
import { starterClasses, starterRules } from './starters';

type Made = { at: string; by: string };

/** Classes a boat can be made from: those that are kept here, and those that come with the program. */
export const classesToStartFrom = async (db: Knex): Promise<Map<string, ClassBook>> =>
  new Map([...starterClasses(), ...(await classesOf(db))]);

const faulty = (faults: readonly { path: string; reason: string }[]): never =>
  fail(422, 'faults', { faults: faults.map(({ path, reason }) => `${path}: ${reason}`).join('\n') });

/** Every drill that comes with the program was looked at, state by state, before it was shipped. */
const shippedDrills = (): Known => {
  const known: Known = new Map();
  for (const id of starterClasses().keys()) {
    const found = lineageOf(id, starterClasses());
    if (!found.ok || questionsOf(found.lineage) === undefined) continue;
    const whole = mergeBooks(found.lineage, { format: 'quay-boat-book/1', id: 'x', class: id, name: 'x', base: 'x', hullNumber: 'x' });
    if (whole.ok) for (const drill of whole.book.drills) known.set(JSON.stringify(drill), []);
  }
  return known;
};
let known: Known | undefined;

const freeHull = async (trx: Knex, hullNumber: string) => {
  const other = await trx('boat').whereRaw('lower("hullNumber") = ?', [hullNumber.toLowerCase()]).first('name');
  if (other) throw new ProblemError(409, 'hullTaken', { boat: other.name });
};

const keepBoat = async (trx: Knex, boatBook: BoatBook, made: Made): Promise<string> => {
  known ??= shippedDrills();
  const resolved = await resolveBook(trx, boatBook, known);
  if (!resolved.ok) return faulty(resolved.faults);
  const { id, name, hullNumber, base } = boatBook;
  const { waters } = (await trx('base')
    .where({ id: base })
    .first('body')
    .then((row) => JSON.parse(row!.body) as Base))!;
  await trx('boat').insert({ id, name, hullNumber, base, waters: boatBook.waters ?? waters, bookVersion: 1 });
  await addBook(trx, id, { ...resolved, boatBook }, made);
  return id;
};

const idsOf = async (trx: Knex, table: 'boat' | 'base' | 'waters'): Promise<string[]> =>
  (await trx(table).select('id')).map(({ id }) => id);

/**
 * Makes a boat from a starter and what was answered; her class is kept with her when nobody has it yet.
 * @throws ProblemError `noSuchBook`, `noBase`, `hullTaken`, `faults`
 */
export const addBoat = (db: Knex, wanted: { starter: string; base: string; answers: StarterAnswers }, made: Made): Promise<string> =>
  db.transaction(async (trx) => {
    const classes = await classesToStartFrom(trx);
    const found = lineageOf(wanted.starter, classes);
    if (!found.ok) return fail(404, 'noSuchBook');
    if (!(await trx('base').where({ id: wanted.base }).first('id'))) return fail(404, 'noBase');
    await freeHull(trx, wanted.answers.hullNumber);
    const others = [...starterClasses().keys()].flatMap((id) => {
      const other = lineageOf(id, classes);
      return other.ok ? [other.lineage] : [];
    });
    const id = idOf(wanted.answers.name, await idsOf(trx, 'boat'));
    const boatBook = bookFromAnswers(found.lineage, others, { id, base: wanted.base }, wanted.answers) ?? fail(404, 'noSuchBook');
    const kept = await classesOf(trx);
    for (const one of found.lineage) if (!kept.has(one.id)) await putBook(trx, 'classBook', one, {}, { at: made.at, by: null });
    return keepBoat(trx, boatBook, made);
  });

/** Makes a boat as another one is built. @throws ProblemError `noSuchBoat`, `hullTaken`, `faults` */
export const copyBoat = (db: Knex, boat: string, sister: { name: string; hullNumber: string }, made: Made): Promise<string> =>
  db.transaction(async (trx) => {
    const row = (await newest(trx, boat)) ?? fail(404, 'noSuchBoat');
    await freeHull(trx, sister.hullNumber);
    const id = idOf(sister.name, await idsOf(trx, 'boat'));
    return keepBoat(trx, sisterOf(BoatBook.parse(JSON.parse(row.boatBook)), { id, ...sister }), made);
  });

/** The water of a name, or a new one that nobody has drawn yet. */
const waterOf = async (trx: Knex, { water, rules, emergencyNumber }: NewBase): Promise<string> => {
  const there = (await trx('waters').select('id', 'name')).find(({ name }) => name.toLowerCase() === water.toLowerCase());
  if (there) return there.id;
  const id = idOf(water, await idsOf(trx, 'waters'));
  const body: Waters = {
    type: 'FeatureCollection',
    id,
    name: water,
    rules,
    ...(emergencyNumber === '' ? {} : { emergencyNumber }),
    features: [],
  };
  await trx('waters').insert({ id, name: water, body: JSON.stringify(body) });
  return id;
};

/** Adds a base with the water in front of it. @throws ProblemError `nameTaken`, `noZone`, `noSuchBook` where there are no such rules */
export const addBase = (db: Knex, wanted: NewBase, made: Made): Promise<string> =>
  db.transaction(async (trx) => {
    const { name, zone, phone, rules } = wanted;
    const others = await trx('base').select('id', 'name');
    if (others.some((one) => one.name.toLowerCase() === name.toLowerCase())) throw new ProblemError(409, 'nameTaken', { name });
    if (!(await trx('rules').where({ id: rules }).first('id'))) {
      const starter = starterRules().get(rules) ?? fail(404, 'noSuchBook');
      await trx('rules').insert({ id: rules, body: JSON.stringify(starter) });
    }
    const id = idOf(
      name,
      others.map((one) => one.id),
    );
    const read = Base.safeParse({ id, name, zone, waters: await waterOf(trx, wanted), ...(phone === '' ? {} : { phone }) });
    if (!read.success) return fail(400, 'noZone', { zone });
    await putBook(trx, 'base', read.data, { name, zone }, made);
    return id;
  });
