import type { Knex } from 'knex';
import type { KeySafe } from '@quay/contract/keySafe';
import type { Failing, StandIn } from '@quay/contract/outside';
import type { WeatherMast } from '@quay/contract/weather';
import { simulatedKeySafe } from '@quay/standins/keySafe';
import { simulatedWeatherMast } from '@quay/standins/weatherMast';
import { safeSetByHand } from './keySafe';
import { noWeatherMast } from './weatherMast';

/** Devices and services beside the quay, each behind a port of its own. */
export type Outside = { keySafe: KeySafe; weatherMast: WeatherMast; standIns: Readonly<Record<StandIn['name'], Failing>> | undefined };

/** @param simulated a demonstration: what stands outside is simulated, and says so */
export const outsideOf = (simulated: boolean, db: () => Knex): Outside => {
  if (!simulated) return { keySafe: safeSetByHand(db), weatherMast: noWeatherMast, standIns: undefined };
  const keySafe = simulatedKeySafe();
  const weatherMast = simulatedWeatherMast();
  return { keySafe, weatherMast, standIns: { keySafe, weatherMast } };
};
