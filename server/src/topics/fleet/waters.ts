import type { WatersShelf } from '@quay/contract/waters';
import { watersFaults } from '@quay/core/waters/faults';
import { Waters } from '@quay/core/waters/zone';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';

/** By water: boats that are hired out on it, their base's where they have none of their own. */
const boatsByWaters = async (db: Knex): Promise<Map<string, string[]>> => {
  const rows = (await db('boat')
    .join('base', 'base.id', 'boat.base')
    .orderBy('boat.name')
    .select('boat.name', 'boat.waters', 'base.body')) as { name: string; waters: string; body: string }[];
  const by = new Map<string, string[]>();
  for (const { name, waters, body } of rows) {
    const on = waters || (JSON.parse(body) as { waters: string }).waters;
    by.set(on, [...(by.get(on) ?? []), name]);
  }
  return by;
};

export const watersThere = async (db: Knex) => {
  const boats = await boatsByWaters(db);
  return (await db('waters').orderBy('name').select('id', 'name')).map(({ id, name }) => ({ id, name, boats: boats.get(id) ?? [] }));
};

export const watersShelf = async (db: Knex, id: string): Promise<WatersShelf | undefined> => {
  const row = await db('waters').where({ id }).first('body', 'version');
  return row && { waters: Waters.parse(JSON.parse(row.body)), version: row.version, boats: (await boatsByWaters(db)).get(id) ?? [] };
};

const FAULTS = {
  crossesItself: 'its outline crosses itself',
  noArea: 'it has no area',
  idTwice: 'another feature has its id',
  farAway: 'it lies far from all the others: another reference system, or another water',
  tooManyCorners: 'there are more corners than a phone can draw',
} as const;

/** @throws ProblemError `noSuchBook`, `otherBook`, `changedMeanwhile`, `faults` */
export const changeWaters = (db: Knex, id: string, waters: Waters, seen: number): Promise<WatersShelf> =>
  db.transaction(async (trx) => {
    const row = (await trx('waters').where({ id }).first('version')) ?? fail(404, 'noSuchBook');
    if (row.version !== seen) fail(412, 'changedMeanwhile');
    if (waters.id !== id) fail(400, 'otherBook');
    if (waters.rules !== undefined && !(await trx('rules').where({ id: waters.rules }).first('id')))
      fail(422, 'faults', { faults: `rules: there is no set of rules “${waters.rules}”` });
    const nameOf = (feature: string) => waters.features.find((one) => one.id === feature)?.properties.name ?? feature;
    const faults = watersFaults(waters).map(({ feature, is }) => `${nameOf(feature)}: ${FAULTS[is]}`);
    if (faults.length > 0) fail(422, 'faults', { faults: [...new Set(faults)].join('\n') });
    await trx('waters')
      .where({ id })
      .update({ name: waters.name, body: JSON.stringify(waters), version: seen + 1 });
    return (await watersShelf(trx, id))!;
  });
