import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';

export type BaseRow = { id: string; name: string; zone: string };
export const basesOf = async (db: Knex): Promise<BaseRow[]> => await db('base').select('id', 'name', 'zone').orderBy('name');

/** The base that is asked for, else the first, with all there are to choose from. @throws ProblemError `noBase`, `noBaseYet` */
export const baseAmong = async (db: Knex, id: string | undefined) => {
  const bases = await basesOf(db);
  const base = id === undefined ? bases[0] : bases.find((one) => one.id === id);
  if (!base) return fail(404, bases.length === 0 ? 'noBaseYet' : 'noBase');
  return { base, bases: bases.map(({ id, name }) => ({ id, name })) };
};
