import * as api from '@quay/contract/outside';
import { on } from '../platform/http/mount';
import { fail } from '../platform/http/problem';

export const outsideRoutes = [
  on(api.listStandIns, ({ quay }) => {
    const { standIns } = quay.outside;
    return Promise.resolve({ standIns: standIns ? api.STAND_IN_NAMES.map((name) => ({ name, mode: standIns[name].mode })) : [] });
  }),
  on(api.setStandIn, ({ quay, params: { name }, body }) => {
    const standIn = quay.outside.standIns?.[name] ?? fail(404, 'noStandIn');
    const modes: readonly string[] = api.STAND_INS[name];
    if (!modes.includes(body.mode)) return fail(400, 'noSuchMode', { modes: modes.join(', ') });
    (standIn as { mode: string }).mode = body.mode;
    return Promise.resolve({ name, mode: body.mode });
  }),
];
