import * as api from '@quay/contract/hire';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { changeHire } from './hire';

export const bookingRoutes = [
  on(api.changeHire, async ({ quay, params, body, seen, res }) => {
    const done = (await changeHire(quay.store.db, params.hireId, { ...body, version: seen })) ?? fail(404, 'noSuchHire');
    if (done.ok) {
      res.set('ETag', `"${done.hire.version}"`);
      return done.hire;
    }
    return done.reason === 'beforeStart' ? fail(400, 'beforeStart') : fail(412, 'changedMeanwhile');
  }),
];
