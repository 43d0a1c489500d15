import type { Endpoint } from './endpoint';
import * as attention from './attention';
import * as booking from './booking';
import * as calendar from './calendar';
import * as change from './change';
import * as compare from './compare';
import * as deposit from './deposit';
import * as dossier from './dossier';
import * as exchange from './exchange';
import * as files from './files';
import * as fit from './fit';
import * as fleet from './fleet';
import * as gateway from './gateway';
import * as hire from './hire';
import * as keySafe from './keySafe';
import * as simulators from './simulators';
import * as newBoat from './newBoat';
import * as operator from './operator';
import * as prices from './prices';
import * as record from './record';
import * as renter from './renter';
import * as repair from './repair';
import * as session from './session';
import * as settlement from './settlement';
import * as setup from './setup';
import * as track from './track';
import * as walkIn from './walkIn';
import * as waters from './waters';
import * as weather from './weather';

const isEndpoint = (value: unknown): value is Endpoint =>
  typeof value === 'object' && value !== null && 'roles' in value && 'path' in value;

/** Every endpoint there is. The server mounts these and no others; the sweep test tries each of them. */
export const ENDPOINTS: readonly Endpoint[] = [
  session,
  hire,
  booking,
  change,
  calendar,
  walkIn,
  exchange,
  record,
  repair,
  attention,
  fleet,
  newBoat,
  prices,
  operator,
  setup,
  fit,
  renter,
  keySafe,
  simulators,
  waters,
  weather,
  track,
  deposit,
  settlement,
  gateway,
  compare,
  dossier,
  files,
].flatMap((topic) => Object.values(topic).filter(isEndpoint));
