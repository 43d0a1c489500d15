import * as api from '@quay/contract/fit';
import { type Call, on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { hireExists } from '../booking/hire';
import { keepSheet, sheetsOf } from './party';

const mustExist = async (call: Call<unknown>, hireId: string): Promise<void> => {
  if (!(await hireExists(call.quay.store.db, hireId))) fail(404, 'noSuchHire');
};

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
