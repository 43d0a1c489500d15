import * as api from '@quay/contract/hire';
import { on } from '../../platform/http/mount';
import { baseAmong } from '../booking/bases';
import { refreshStale } from '../record/refresh';
import { dayHires, hiresOn } from './lists';

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
