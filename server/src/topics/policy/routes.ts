import * as api from '@quay/contract/prices';
import { on, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import * as operator from '@quay/contract/operator';
import { changePrices, pricesNow } from './changePrices';
import { changeOperator, operatorNow } from './operator';

export const policyRoutes = [
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
  on(operator.getOperator, async ({ quay, res }) => {
    const now = await operatorNow(quay.store.db);
    res.set('ETag', `"${now.version}"`);
    return now;
  }),
  on(operator.changeOperator, async (call) => {
    const { quay, body, seen, now, res } = call;
    const next = await changeOperator(quay.store.db, body, seen, { at: now, by: staffOf(call).staff.id });
    res.set('ETag', `"${next.version}"`);
    return next;
  }),
];
