import * as api from '@quay/contract/simulators';
import { on } from '../platform/http/mount';
import { fail } from '../platform/http/problem';

export const integrationRoutes = [
  on(api.listSimulators, ({ quay }) => {
    const { standIns } = quay.integrations;
    return Promise.resolve({ standIns: standIns ? api.SIMULATOR_NAMES.map((name) => ({ name, mode: standIns[name].mode })) : [] });
  }),
  on(api.setSimulator, ({ quay, params: { name }, body }) => {
    const standIn = quay.integrations.standIns?.[name] ?? fail(404, 'noStandIn');
    const modes: readonly string[] = api.SIMULATORS[name];
    if (!modes.includes(body.mode)) return fail(400, 'noSuchMode', { modes: modes.join(', ') });
    (standIn as { mode: string }).mode = body.mode;
    return Promise.resolve({ name, mode: body.mode });
  }),
];
