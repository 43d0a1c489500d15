import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import type { Session } from '../../platform/signIn/session';
import { basesOfStaff } from '../../platform/signIn/staff';

export type BaseRow = { id: string; name: string; zone: string };
export const basesOf = async (db: Knex): Promise<BaseRow[]> => await db('base').select('id', 'name', 'zone').orderBy('name');

/** The base that is asked for, else the first at which whoever asks works, with all there are to choose from. @throws ProblemError `noBase`, `noBaseYet` */
export const baseAmong = async (db: Knex, id: string | undefined, session?: Session) => {
  const bases = await basesOf(db);
  const own = session ? await basesOfStaff(db, session.staff.id) : [];
  const base = id === undefined ? (bases.find((one) => own.includes(one.id)) ?? bases[0]) : bases.find((one) => one.id === id);
  if (!base) return fail(404, bases.length === 0 ? 'noBaseYet' : 'noBase');
  return { base, bases: bases.map(({ id, name }) => ({ id, name })) };
};
