import type { Knex } from 'knex';
import type { KeySafe } from '@quay/contract/keySafe';
import type { Failing, StandIn } from '@quay/contract/outside';
import { simulatedKeySafe } from '@quay/standins/keySafe';
import { safeSetByHand } from './keySafe';

/** Devices and services beside the quay, each behind a port of its own. */
export type Outside = { keySafe: KeySafe; standIns: Readonly<Record<StandIn['name'], Failing>> | undefined };

/** @param simulated a demonstration: what stands outside is simulated, and says so */
export const outsideOf = (simulated: boolean, db: () => Knex): Outside => {
  if (!simulated) return { keySafe: safeSetByHand(db), standIns: undefined };
  const keySafe = simulatedKeySafe();
  return { keySafe, standIns: { keySafe } };
};
