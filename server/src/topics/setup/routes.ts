import * as api from '@quay/contract/setup';
import { on } from '../../platform/http/mount';
import { signInHere } from '../staff/signInHere';
import { readiness } from './readiness';
import { setUpByCode } from './setUp';

export const setupRoutes = [
  on(api.setUp, async (call) => {
    const { code, ...first } = call.body;
    await setUpByCode(call.quay.store.db, code, first, call.req.ip ?? '', new Date(call.now));
    return signInHere(call, first.manager, first.password);
  }),
  on(api.getReadiness, ({ quay, now }) => readiness(quay.store.db, quay.secureCookies, now)),
];
