import * as calendar from '@quay/contract/calendar';
import * as api from '@quay/contract/hire';
import { on } from '../../platform/http/mount';
import { baseAmong } from '../booking/bases';
import { refreshStale } from '../record/refresh';
import { calendarOf } from './calendar';
import { dayHires, hiresOn } from './lists';

export const dayRoutes = [
  on(api.getDay, async ({ quay, query, now, session }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base, session);
    return { now, base, bases, hires: await dayHires(quay.store.db, base, now) };
  }),
  on(api.getBookings, async ({ quay, query, now, session }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base, session);
    return { now, base, bases, hires: await hiresOn(quay.store.db, base, query) };
  }),
  on(calendar.getCalendar, async ({ quay: { store, key }, query, now, session }) => {
    await refreshStale(store.db, key, now);
    const { base, bases } = await baseAmong(store.db, query.base, session);
    return { now, base, bases, ...(await calendarOf(store.db, base, query)) };
  }),
];
