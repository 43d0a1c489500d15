import * as fleetApi from '@quay/contract/fleet';
import * as api from '@quay/contract/gateway';
import { type Call, on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { boatExists } from '../fleet/book';
import { learntOf } from './learnt';

const mustBe = async (call: Call<unknown>, boat: string): Promise<void> => {
  if (!(await boatExists(call.quay.store.db, boat))) fail(404, 'noSuchBoat');
};

export const fuelRoutes = [
  on(api.boatWires, async (call) => {
    await mustBe(call, call.params.boatId);
    const { boatGateway } = call.quay.integrations;
    const found = await boatGateway.read({ id: call.params.boatId });
    return found.ok ? { is: 'read' as const, readings: found.readings, simulated: boatGateway.simulated } : { is: found.reason };
  }),
  on(fleetApi.getLearnt, async (call) => {
    await mustBe(call, call.params.boatId);
    return { gauges: await learntOf(call.quay.store.db, call.params.boatId, call.now) };
  }),
];
