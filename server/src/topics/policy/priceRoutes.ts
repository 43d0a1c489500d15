import * as api from '@quay/contract/prices';
import { on, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { changePrices, pricesNow } from './changePrices';

export const priceRoutes = [
  on(api.getPrices, async ({ quay, res }) => {
    const now = (await pricesNow(quay.store.db)) ?? fail(409, 'noPricesYet');
    res.set('ETag', `"${now.list.version}"`);
    return now;
  }),
  on(api.changePrices, async (call) => {
    const { quay, body, seen, now, res } = call;
    const next = await changePrices(quay.store.db, body, seen, { at: now, by: staffOf(call).staff.id });
    res.set('ETag', `"${next.list.version}"`);
    return next;
  }),
];
