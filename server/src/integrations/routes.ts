import * as api from '@quay/contract/simulators';
import { on } from '../platform/http/mount';
import { fail } from '../platform/http/problem';

export const integrationRoutes = [
  on(api.listSimulators, ({ quay }) => {
    const { simulators } = quay.integrations;
    return Promise.resolve({ simulators: simulators ? api.SIMULATOR_NAMES.map((name) => ({ name, mode: simulators[name].mode })) : [] });
  }),
  on(api.setSimulator, ({ quay, params: { name }, body }) => {
    const simulator = quay.integrations.simulators?.[name] ?? fail(404, 'noSimulator');
    const modes: readonly string[] = api.SIMULATORS[name];
    if (!modes.includes(body.mode)) return fail(400, 'noSuchMode', { modes: modes.join(', ') });
    (simulator as { mode: string }).mode = body.mode;
    return Promise.resolve({ name, mode: body.mode });
  }),
];
