import * as change from '@quay/contract/change';
import type { Hire } from '@quay/contract/hire';
import { type Call, on, staffOf } from '../../platform/http/mount';
import { cancelHire, reinstateHire } from './cancel';
import { type By, changeHire } from './change';
import { swapOf } from './swap';

/** Who asks for a change, and which version they saw. */
const byOf = (call: Pick<Call<unknown>, 'session' | 'seen'>): By => {
  const { id, role } = staffOf(call).staff;
  return { id, role, version: call.seen };
};
const versioned = ({ res }: Pick<Call<unknown>, 'res'>, hire: Hire): Hire => {
  res.set('ETag', `"${hire.version}"`);
  return hire;
};

export const rebookingRoutes = [
  on(change.changeHire, async (call) =>
    versioned(call, await changeHire(call.quay.store.db, call.params.hireId, call.body, byOf(call), call.now)),
  ),
  on(change.cancelHire, async (call) =>
    versioned(call, await cancelHire(call.quay.store.db, call.params.hireId, call.body, byOf(call), call.now)),
  ),
  on(change.reinstateHire, async (call) =>
    versioned(call, await reinstateHire(call.quay.store.db, call.params.hireId, call.body, byOf(call), call.now)),
  ),
  on(change.previewSwap, ({ quay: { store }, params, query }) => swapOf(store.db, params.hireId, query.boat)),
];
