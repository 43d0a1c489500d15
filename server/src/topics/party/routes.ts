import * as api from '@quay/contract/fit';
import { on } from '../../platform/http/mount';
import { mustExist } from '../booking/mustExist';
import { keepSheet, sheetsOf } from './party';

export const partyRoutes = [
  on(api.keepSheet, async (call) => {
    await mustExist(call, call.params.hireId);
    return { sha: await keepSheet(call.quay.store.db, call.params.hireId, call.body.sheet, call.now) };
  }),
  on(api.readSheets, async (call) => {
    await mustExist(call, call.params.hireId);
    return { sheets: await sheetsOf(call.quay.store.db, call.params.hireId) };
  }),
];
