import * as api from '@quay/contract/gateway';
import { on } from './mount';
import { fail } from './problem';

export const gatewayRoutes = [
  on(api.boatWires, async ({ quay, params }) => {
    const boat = await quay.store.db('boat').where({ id: params.boatId }).first('id');
    if (!boat) return fail(404, 'noBoat', 'There is no such boat.');
    const { boatGateway } = quay.outside;
    const found = await boatGateway.read(boat);
    return found.ok ? { is: 'read' as const, readings: found.readings, simulated: boatGateway.simulated } : { is: found.reason };
  }),
];
