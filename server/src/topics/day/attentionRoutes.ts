import * as api from '@quay/contract/attention';
import { attentionOf, bringBack, putAside } from './attention';
import { refreshStale } from '../record/refresh';
import { on, staffOf } from '../../platform/http/mount';

export const attentionRoutes = [
  on(api.getAttention, async ({ quay, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    return { matters: await attentionOf(quay.store.db, now, await quay.store.freeRoom()) };
  }),
  on(api.putAside, async (call) => {
    await putAside(call.quay.store.db, call.body.key, staffOf(call).staff.id, call.now);
    return { ok: true as const };
  }),
  on(api.bringBack, async ({ quay, body }) => {
    await bringBack(quay.store.db, body.key);
    return { ok: true as const };
  }),
];
