import compression from 'compression';
import express, { type Application } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ENDPOINTS } from '@quay/contract/all';
import { linkRoutes } from './topics/booking/linkRoutes';
import { bookingRoutes } from './topics/booking/routes';
import { rebookingRoutes } from './topics/rebooking/routes';
import { exchangeRoutes } from './topics/exchange/routes';
import { briefingRoutes } from './topics/briefing/routes';
import { keySafeRoutes } from './topics/castOff/routes';
import { attentionRoutes } from './topics/day/attentionRoutes';
import { dayRoutes } from './topics/day/routes';
import { dossierRoutes } from './topics/dossier/routes';
import { fleetRoutes } from './topics/fleet/routes';
import { fuelRoutes } from './topics/fuel/routes';
import { partyRoutes } from './topics/party/routes';
import { compareRoutes } from './topics/photo/compareRoutes';
import { photoRoutes } from './topics/photo/routes';
import { policyRoutes } from './topics/policy/routes';
import { repairRoutes } from './topics/record/repairRoutes';
import { recordRoutes } from './topics/record/routes';
import { depositRoutes } from './topics/settlement/depositRoutes';
import { settlementRoutes } from './topics/settlement/routes';
import { statementRoutes } from './topics/settlement/statementRoutes';
import { setupRoutes } from './topics/setup/routes';
import { staffRoutes } from './topics/staff/routes';
import { trackRoutes } from './topics/trip/track/routes';
import { weatherRoutes } from './topics/trip/routes';
import { packRoutes } from './topics/walk/routes';
import { filesRoutes } from './import/routes';
import { integrationRoutes } from './integrations/routes';
import { type Gate, mount, type Quay } from './platform/http/mount';
import { notFound, problems } from './platform/http/problem';

/** react-native-web opens one empty style element and fills it through the CSSOM; this is the hash of nothing. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";

/** Files whose name carries their content's hash; everything else is asked for anew each time. */
const HASHED = /\/(_expo\/static|assets|fonts)\/.*[.-][0-9a-f]{8,}\.\w+(\.br)?$/;

/**
 * @param web folder of the built app; without it only the API answers
 * @param proxies addresses (or `loopback`) whose word on who asks and how is taken; nobody's unless said
 * @param gate may hold requests back while the data is exchanged
 */
export const makeApp = (quay: Quay, web: string | undefined, proxies: readonly string[] = [], gate?: Gate): Application => {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxies.length > 0 ? [...proxies] : false);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", EMPTY_STYLE],
          imgSrc: ["'self'", 'blob:', 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      referrerPolicy: { policy: 'no-referrer' },
      // Browsers ignore this one without https, and complain about it.
      crossOriginOpenerPolicy: quay.secureCookies ? { policy: 'same-origin' } : false,
      // Of this address alone: what else runs under the operator's domain is not ours to decide about.
      strictTransportSecurity: quay.secureCookies ? { maxAge: 15_552_000, includeSubDomains: false } : false,
    }),
  );
  app.use('/api', compression());
  const routes = [
    ...setupRoutes,
    ...staffRoutes,
    ...bookingRoutes,
    ...rebookingRoutes,
    ...exchangeRoutes,
    ...linkRoutes,
    ...packRoutes,
    ...dayRoutes,
    ...attentionRoutes,
    ...recordRoutes,
    ...repairRoutes,
    ...photoRoutes,
    ...compareRoutes,
    ...partyRoutes,
    ...fleetRoutes,
    ...policyRoutes,
    ...briefingRoutes,
    ...fuelRoutes,
    ...weatherRoutes,
    ...trackRoutes,
    ...keySafeRoutes,
    ...depositRoutes,
    ...settlementRoutes,
    ...statementRoutes,
    ...dossierRoutes,
    ...filesRoutes,
    ...integrationRoutes,
  ];
  mount(app, quay, ENDPOINTS, routes, gate);
  app.use('/api', notFound);
  if (web !== undefined && existsSync(join(web, 'index.html'))) {
    app.use(
      staticGzip(web, {
        enableBrotli: true,
        orderPreference: ['br'],
        serveStatic: {
          index: false,
          // `/r` is the renter's start as well as a folder.
          redirect: false,
          setHeaders: (res, path) => {
            res.setHeader('Cache-Control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
            // The renter's start is `/r`, just outside the folder its worker lies in.
            if (/[\\/]r[\\/]sw\.js(\.br)?$/.test(path)) res.setHeader('Service-Worker-Allowed', '/r');
          },
        },
      }),
    );
    // Deep links: every page address is the app's.
    app.use((req, res, next) => {
      if (req.method !== 'GET' || !req.accepts('html') || /\.\w+$/.test(req.path)) {
        next();
        return;
      }
      res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: web });
    });
  }
  app.use(notFound);
  app.use(problems);
  return app;
};
