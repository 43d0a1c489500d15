import * as api from '@quay/contract/fit';
import { on } from '../../platform/http/mount';
import { mustExist } from '../booking/mustExist';
import { storeSheet, sheetsOf } from './party';

export const partyRoutes = [
  on(api.sendSheet, async (call) => {
    await mustExist(call, call.params.hireId);
    return { sha: await storeSheet(call.quay.store.db, call.params.hireId, call.body.sheet, call.now) };
  }),
  on(api.readSheets, async (call) => {
    await mustExist(call, call.params.hireId);
    return { sheets: await sheetsOf(call.quay.store.db, call.params.hireId) };
  }),
];
