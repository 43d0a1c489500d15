import { type Fit, fitOf } from '@quay/core/party/ofHire';
import { isEntered, type HireRecord } from '@quay/core/events/record';
import type { Knex } from 'knex';
import type { Base } from '@quay/core/fleet/base';
import type { Book } from '@quay/core/fleet/book';
import type { RuleSet } from '@quay/core/party/rules';
import { digestOf } from '@quay/core/events/canonical';
import { unproven } from '@quay/core/drill/ofHire';
import type { Waters } from '@quay/core/waters/zone';
import type { Sheet } from '@quay/contract/fit';
import { readingRecord } from '../../platform/database/broken';
import { readHandoverPolicy } from '../../platform/database/setting';

/** Keeps a sheet of people under its digest; what is there already is left alone. */
export const storeSheet = async (db: Knex, hire: string, sheet: Sheet, now: string): Promise<string> => {
  const sha = digestOf(sheet);
  await db('sheet')
    .insert({ hire, sha, body: JSON.stringify(sheet), receivedAt: now })
    .onConflict(['hire', 'sha'])
    .ignore();
  return sha;
};

export const sheetsOf = async (db: Knex, hire: string): Promise<Sheet[]> =>
  (await db('sheet').where({ hire }).orderBy('receivedAt')).map(({ body }) => JSON.parse(body) as Sheet);

type Ground = { base: Base; waters: Waters | null; rules: RuleSet | null };

/** What the waters of a hire ask: those its boat is let for, or those in front of its base, and the rules on them. */
export const groundOf = async (db: Knex, hire: string): Promise<Ground | undefined> => {
  const row = (await db('hire')
    .join('boat', 'boat.id', 'hire.boat')
    .join('base', 'base.id', 'hire.base')
    .where('hire.id', hire)
    .first('boat.waters', 'base.body')) as { waters: string; body: string } | undefined;
  return row && groundIn(db, row);
};

/** The same of a boat that nobody has hired yet. */
export const groundOfBoat = async (db: Knex, boat: string): Promise<Ground | undefined> => {
  const row = (await db('boat').join('base', 'base.id', 'boat.base').where('boat.id', boat).first('boat.waters', 'base.body')) as
    { waters: string; body: string } | undefined;
  return row && groundIn(db, row);
};

const groundIn = async (db: Knex, row: { waters: string; body: string }): Promise<Ground> => {
  const read = async <T>(table: 'waters' | 'rules', id: string): Promise<T | null> => {
    const found = (await db(table).where({ id }).first('body')) as { body: string } | undefined;
    return found ? (JSON.parse(found.body) as T) : null;
  };
  const base = JSON.parse(row.body) as Base;
  const waters = await read<Waters>('waters', row.waters || base.waters);
  return { base, waters, rules: waters?.rules === undefined ? null : await read<RuleSet>('rules', waters.rules) };
};

/** Drills that have to be passed before this hire casts off and are not. */
export const openDrills = async (db: Knex, id: string, record: HireRecord, book: Book): Promise<string[]> => {
  // Few walks are under way at a time, and few boats ask for one.
  if (!isEntered(record, ['out', 'started']) || !book.drills.some(({ needed }) => needed)) return [];
  const ground = await groundOf(db, id);
  const row = await db('hire').where({ id }).first('boat', 'from', 'to', 'adults', 'children');
  if (!ground || !row) return [];
  const { boat, from, to, ...party } = row;
  const operator = await readHandoverPolicy(db);
  const sheets = await sheetsOf(db, id);
  return readingRecord(id, () =>
    unproven(record, {
      ...ground,
      hire: { id, boat, from, to, party },
      book,
      operator,
      briefedBefore: {},
      sheets,
    }),
  );
};

/** The fit of a hire, where a party has been entered; most hires on the board have none to look up. */
export const fitOfHire = async (db: Knex, hire: string, record: HireRecord, book: Book, today: string): Promise<Fit | undefined> => {
  if (!isEntered(record, ['party'])) return undefined;
  const ground = await groundOf(db, hire);
  if (!ground) return undefined;
  const [sheets, operator] = [await sheetsOf(db, hire), await readHandoverPolicy(db)];
  return readingRecord(hire, () => fitOf(record, { ...ground, book, sheets, operator }, today));
};
