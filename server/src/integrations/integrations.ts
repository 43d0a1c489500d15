import type { Knex } from 'knex';
import type { CardTerminal } from '@quay/contract/deposit';
import type { KeySafe } from '@quay/contract/keySafe';
import type { Simulated, SimulatorName } from '@quay/contract/simulators';
import type { WeatherMast } from '@quay/contract/weather';
import type { BoatGateway } from '@quay/contract/gateway';
import { simulatedBoatGateway } from '@quay/simulators/boatGateway';
import { simulatedCardTerminal } from '@quay/simulators/cardTerminal';
import { simulatedKeySafe } from '@quay/simulators/keySafe';
import { simulatedWeatherMast } from '@quay/simulators/weatherMast';
import { gatewayAt, noBoatGateway } from './boatGateway';
import { noCardTerminal } from './cardTerminal';
import { safeSetByHand } from './keySafe';
import { noWeatherMast } from './weatherMast';

type Simulators = { readonly [N in SimulatorName]: Simulated<N> };

/** Devices and services beside the quay, each behind a port of its own. */
export type Integrations = {
  keySafe: KeySafe;
  weatherMast: WeatherMast;
  cardTerminal: CardTerminal;
  boatGateway: BoatGateway;
  simulators: Simulators | undefined;
};

/**
 * @param simulated a demonstration: what stands outside is simulated, and says so @param now the clock it all goes by
 * @param heldBefore what is still held under a terminal's name for a holding, minor units, for a simulated terminal that has forgotten
 */
export const integrationsOf = (
  simulated: boolean,
  db: () => Knex,
  heldBefore: (db: Knex, name: string) => Promise<number | undefined>,
  now: () => Date = () => new Date(),
): Integrations => {
  if (!simulated)
    return {
      keySafe: safeSetByHand(db),
      weatherMast: noWeatherMast,
      cardTerminal: noCardTerminal,
      boatGateway: noBoatGateway,
      simulators: undefined,
    };
  const keySafe = simulatedKeySafe();
  const weatherMast = simulatedWeatherMast();
  const cardTerminal = simulatedCardTerminal({ now, remembered: (name) => heldBefore(db(), name) });
  const gateway = simulatedBoatGateway();
  const boatGateway = gatewayAt(
    async () => ({ host: '127.0.0.1', ...(await gateway.address()) }),
    { simulated: true, way: 'nmea', now },
    () => gateway.close(),
  );
  return { keySafe, weatherMast, cardTerminal, boatGateway, simulators: { keySafe, weatherMast, cardTerminal, boatGateway: gateway } };
};
