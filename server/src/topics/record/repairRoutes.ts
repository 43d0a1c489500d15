import * as api from '@quay/contract/repair';
import { hireExists } from '../booking/hire';
import { repairOf, type Repaired, setAside, takeBack } from './repair';
import { type Call, on, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const no = (done: Repaired & { ok: false }): never => {
  switch (done.reason) {
    case 'noSuchHire':
      return fail(404, 'noSuchHire');
    case 'notBroken':
      return fail(409, 'notBroken');
    case 'noSuspect':
      return fail(409, 'noSuspect');
    case 'notAside':
      return fail(404, 'notAside');
  }
};

const stands = async ({ quay }: Call<unknown>, hireId: string) => {
  const found = (await repairOf(quay.store.db, hireId)) ?? fail(404, 'noSuchHire');
  return { ...found, broken: found.broken ?? null };
};

export const repairRoutes = [
  on(api.getRepair, (call) => stands(call, call.params.hireId)),
  on(api.setAside, async (call) => {
    const { quay, params, body, now } = call;
    const done = await setAside(quay.store.db, params.hireId, body.event, {
      by: staffOf(call).staff.id,
      why: body.why,
      now,
      key: quay.key,
    });
    return done.ok ? stands(call, params.hireId) : no(done);
  }),
  on(api.takeBack, async (call) => {
    const { quay, params, now } = call;
    if (!(await hireExists(quay.store.db, params.hireId))) return no({ ok: false, reason: 'noSuchHire' });
    const done = await takeBack(quay.store.db, params.hireId, params.event, { now, key: quay.key });
    return done.ok ? stands(call, params.hireId) : no(done);
  }),
];
