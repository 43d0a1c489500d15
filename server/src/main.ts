import { heldBefore } from './topics/settlement/payment';
import { createServer as createHttp, type Server } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { isIP } from 'node:net';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Response } from 'express';
import { comparer, THREADS } from './topics/photo/compare/pool';
import { makeApp } from './app';
import { ComparisonQueue } from './topics/photo/comparisonQueue';
import type { Quay } from './platform/http/mount';
import { ProblemError } from './platform/http/problem';
import { integrationsOf } from './integrations/integrations';
import { pictureProgram, picturesApart } from './platform/pictures/pictures';
import { holdFolder } from './platform/database/lock';
import { DataFolderError, openStore, readyFolder } from './platform/database/open';
import { PID_FILE, putRestoredInPlace, runningOn } from './platform/database/restore';
import { quayKey, readEpoch, readOperator } from './platform/database/setting';
import { watchFeeds } from './topics/exchange/feeds';
import { clearFiles } from './topics/exchange/files';
import { readerApart } from './topics/exchange/reader';
import { clearTries } from './platform/signIn/tries';
import { makeSetupCode } from './topics/setup/setUp';
import { clearUnfinished } from './topics/photo/upload';

declare const QUAY_VERSION: string;

export type StartOptions = {
  data: string;
  web: string | undefined;
  port: number;
  host: string;
  tlsCert?: string | undefined;
  tlsKey?: string | undefined;
  /** Addresses of proxies whose word on who asks is taken; undefined where there is none in front. */
  proxies?: readonly string[] | undefined;
  /** How far the clock of a demonstration is ahead of the real one, ms. */
  clockAheadMs?: number | undefined;
};

/** The program cannot start; the message says what is wrong and what to do. */
export class StartError extends Error {}

/** How often photographs that were begun and left are looked for, ms. */
const CLEAR_EVERY_MS = 6 * 3_600_000;

/** Whoever has not said within this what they want is not waited for, ms. What they send takes as long as Node.js lets it. */
const HEADERS_MS = 20_000;

/**
 * A connection that has nothing to say is held so long, ms: longer than a browser keeps one. The quay must not be the first
 * to let go, or what is just being asked on it is lost.
 */
const KEEP_ALIVE_MS = 330_000;

/** How long a server waits for whoever it talks with. */
export const patient = (server: Server): Server => {
  server.headersTimeout = HEADERS_MS;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  return server;
};

const listen = (server: Server, port: number, host: string) =>
  new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE')
        reject(new StartError(`Port ${port} is taken. Stop what is using it, or choose another with --port.`));
      else if (error.code === 'EACCES')
        reject(new StartError(`Port ${port} needs rights this user has not. Choose one above 1023 with --port.`));
      else reject(error);
    });
    server.listen(port, host, resolve);
  });

/** Takes the folder for this program. @throws StartError when another one has it @returns how to let go */
const holdOrSay = (data: string): (() => void) => {
  const release = holdFolder(data);
  if (release) return release;
  const pid = runningOn(data);
  throw new StartError(
    `Another quay runs on ${data}${pid === undefined ? '' : ` (process ${pid})`}. Stop it first, or start with another --data.`,
  );
};

/** So long what is under way is waited for before it is cut off, and so long after that, ms. */
const [GRACE_MS, CUT_MS] = [5000, 20_000];

/** Lets requests at the data while open; while it is shut they are told to come back, and those under way are waited for. */
export const makeGate = (graceMs = GRACE_MS, cutMs = CUT_MS) => {
  let shut = false;
  const under = new Set<Response>();
  let idle: (() => void) | undefined;
  const soon = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms).unref());
  const nobody = () => new Promise<void>((resolve) => (under.size === 0 ? resolve() : (idle = resolve)));
  return {
    enter: (res: Response) => {
      if (shut) {
        res.set('Retry-After', '3');
        throw new ProblemError(503, 'restoring');
      }
      under.add(res);
      return () => {
        under.delete(res);
        if (under.size === 0) idle?.();
      };
    },
    /** Runs work while nothing else does. Who is answered slowly, because they read slowly, is cut off after a while. */
    alone: async (work: () => Promise<void>) => {
      shut = true;
      try {
        await Promise.race([nobody(), soon(graceMs)]);
        for (const res of under) res.destroy();
        await Promise.race([nobody(), soon(cutMs)]);
        await work();
      } finally {
        idle = undefined;
        shut = false;
      }
    },
  };
};

export type Running = {
  port: number;
  /** Of an installation that nobody has set up: the code to do it with, good once. */
  setupCode: string | undefined;
  stop(): Promise<void>;
  takeRestored(): Promise<void>;
};

/** Starts the quay. @throws StartError, DataFolderError @returns a way to stop it cleanly, and to put a restored backup in place */
export const start = async (options: StartOptions): Promise<Running> => {
  const pictures = picturesApart(pictureProgram(import.meta.dirname));
  readyFolder(options.data);
  let release = holdOrSay(options.data);
  const store = await openStore(options.data, pictures).catch((error: unknown) => {
    release();
    throw error;
  });
  const giveUp = async () => {
    await store.close();
    release();
  };
  const simulated = (await readOperator(store.db))?.simulated === true;
  const { clockAheadMs = 0 } = options;
  if (clockAheadMs !== 0 && !simulated) {
    await giveUp();
    throw new StartError('Only a demonstration may go by another clock than the real one; leave --clock-ahead-ms away.');
  }
  const now = () => new Date(Date.now() + clockAheadMs);
  const secure = options.tlsCert !== undefined || options.proxies !== undefined;
  const quay: Quay = {
    store,
    key: await quayKey(store.db),
    integrations: integrationsOf(simulated, () => quay.store.db, heldBefore, now),
    epoch: await readEpoch(store.db),
    version: typeof QUAY_VERSION === 'string' ? QUAY_VERSION : 'dev',
    secureCookies: secure,
    clockAheadMs,
    now,
  };
  const gate = makeGate();
  quay.reader = readerApart(import.meta.dirname);
  quay.threads = import.meta.dirname;
  const app = makeApp(quay, options.web, options.proxies, gate);
  let server: Server;
  if (options.tlsCert !== undefined && options.tlsKey !== undefined) {
    try {
      server = createHttps({ cert: readFileSync(options.tlsCert), key: readFileSync(options.tlsKey) }, app);
    } catch (error) {
      await giveUp();
      throw new StartError(`The certificate or key cannot be used: ${(error as Error).message}`);
    }
  } else server = createHttp(app);
  patient(server);
  try {
    await listen(server, options.port, options.host);
  } catch (error) {
    await giveUp();
    throw error;
  }
  const beginComparing = () => {
    quay.comparing = new ComparisonQueue(
      () => quay.store,
      comparer(import.meta.dirname),
      () => quay.now(),
      THREADS,
    );
    // What waits since before, and what a quay that died had under way.
    quay.comparing.tick();
  };
  beginComparing();
  const clear = () =>
    Promise.all([clearUnfinished(quay.store, quay.now()), clearTries(quay.store.db), clearFiles(quay.store.db, quay.now())]).then(
      ([n]) => {
        if (n > 0) console.log(`quay: ${n} photographs that were begun and left are cleared away`);
      },
      (error: unknown) => console.error('quay: what was begun and left could not be cleared away', error),
    );
  void clear();
  const clearing = setInterval(() => void clear(), CLEAR_EVERY_MS).unref();
  const feeds = watchFeeds(quay);
  const pidFile = join(options.data, PID_FILE);
  writeFileSync(pidFile, String(process.pid));
  const setupCode = await makeSetupCode(quay.store.db);
  const address = server.address();
  return {
    setupCode,
    port: typeof address === 'object' && address !== null ? address.port : options.port,
    // Answers under way are finished; idle connections are let go.
    stop: async () => {
      await new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 4000).unref();
      });
      clearInterval(clearing);
      await feeds.stop();
      await quay.reader?.end();
      await quay.comparing?.stop();
      await pictures.end();
      await quay.store.close();
      // Another one may have written it since, on data that was moved here.
      if (existsSync(pidFile) && readFileSync(pidFile, 'utf8') === String(process.pid)) rmSync(pidFile);
      release();
    },
    takeRestored: () =>
      gate.alone(async () => {
        await quay.comparing?.stop();
        await feeds.idle();
        await quay.store.close();
        putRestoredInPlace(options.data);
        // The lock went aside with the folder.
        release();
        release = holdOrSay(options.data);
        quay.store = await openStore(options.data, pictures);
        quay.key = await quayKey(quay.store.db);
        quay.epoch = await readEpoch(quay.store.db);
        writeFileSync(pidFile, String(process.pid));
        beginComparing();
        console.log('quay: the restored data is in place');
      }),
  };
};

/** `--behind-proxy [ADDRESS[,ADDRESS]]`: proxies on this machine, and those named. @throws StartError for what is no address */
export const proxiesOf = (given: string | undefined): string[] => {
  const named = given === undefined || given.startsWith('--') ? [] : given.split(',').map((one) => one.trim());
  for (const one of named) {
    const [address = '', bits] = one.split('/');
    const most = isIP(address) === 6 ? 128 : 32;
    if (isIP(address) === 0 || (bits !== undefined && !(/^\d{1,3}$/.test(bits) && Number(bits) >= 1 && Number(bits) <= most)))
      throw new StartError(`--behind-proxy wants addresses such as 10.0.0.2 or 10.0.0.0/24, not “${one}”.`);
  }
  return ['loopback', ...named];
};

const flag = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};

/** Run as a program: `node quay.mjs --data DIR --web DIR --port N`. */
export const run = async (): Promise<void> => {
  try {
    const port = Number(flag('port') ?? 4173);
    if (!Number.isInteger(port) || port < 0 || port > 65_535)
      throw new StartError(`--port wants a number from 0 to 65535, not “${flag('port')}”.`);
    const ahead = flag('clock-ahead-ms');
    if (ahead !== undefined && !/^-?\d{1,12}$/.test(ahead))
      throw new StartError(`--clock-ahead-ms wants whole milliseconds, not “${ahead}”.`);
    const running = await start({
      data: flag('data') ?? '.quay/data',
      web: flag('web'),
      port,
      host: flag('host') ?? '0.0.0.0',
      tlsCert: flag('tls-cert'),
      tlsKey: flag('tls-key'),
      proxies: process.argv.includes('--behind-proxy') ? proxiesOf(flag('behind-proxy')) : undefined,
      clockAheadMs: Number(ahead ?? 0),
    });
    let stopping = false;
    for (const signal of ['SIGTERM', 'SIGINT'] as const) {
      process.on(signal, () => {
        if (stopping) return;
        stopping = true;
        void running.stop().then(() => process.exit(0));
      });
    }
    // Sent by `quay restore` when it finds us running.
    process.on('SIGHUP', () => {
      running.takeRestored().catch((error: unknown) => {
        console.error('quay: the restored data could not be put in place', error);
        process.exit(1);
      });
    });
    if (running.setupCode !== undefined) console.log(`quay: set up with code ${running.setupCode}`);
    // Said last: whoever reads it may tell this process to end at once.
    console.log(`quay: listening on port ${running.port}`);
  } catch (error) {
    if (!(error instanceof StartError) && !(error instanceof DataFolderError)) throw error;
    console.error(error.message);
    process.exit(1);
  }
};
