import * as api from '@quay/contract/outside';
import { on } from './mount';
import { fail } from './problem';

export const outsideRoutes = [
  on(api.listStandIns, ({ quay }) => {
    const { standIns } = quay.outside;
    return Promise.resolve({ standIns: standIns ? api.STAND_INS.map((name) => ({ name, fails: standIns[name].fails })) : [] });
  }),
  on(api.setStandIn, ({ quay, params: { name }, body }) => {
    const standIn = quay.outside.standIns?.[name] ?? fail(404, 'noStandIn', 'Nothing is simulated here.');
    standIn.fails = body.fails;
    return Promise.resolve({ name, fails: standIn.fails });
  }),
];
