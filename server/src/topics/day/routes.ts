import * as api from '@quay/contract/hire';
import type { Knex } from 'knex';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { refreshStale } from '../record/refresh';
import { basesOf, dayHires, hiresOn } from './lists';

/** The base that is asked for, else the first, with all there are to choose from. */
const baseAmong = async (db: Knex, id: string | undefined) => {
  const bases = await basesOf(db);
  const base = id === undefined ? bases[0] : bases.find((one) => one.id === id);
  if (!base) return fail(404, bases.length === 0 ? 'noBaseYet' : 'noBase');
  return { base, bases: bases.map(({ id, name }) => ({ id, name })) };
};

export const dayRoutes = [
  on(api.getDay, async ({ quay, query, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base);
    return { now, base, bases, hires: await dayHires(quay.store.db, base, now) };
  }),
  on(api.getBookings, async ({ quay, query, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base);
    return { now, base, bases, hires: await hiresOn(quay.store.db, base, query) };
  }),
];
