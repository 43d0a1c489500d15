import { createServer } from 'node:http';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { basename, extname, join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { buildEmptyPage } from '../../cli/build';
import { BRAM, MANAGER, type QuayServer } from '../../e2e/quay';
import { Client } from '../../server/src/testing/client';
import { type Figure, figure, quantile } from '../figure';
import { onQuay } from '../quay';

/** A cheap phone on a quay at the edge of the signal. */
const CPU_SLOWED = 4;
const NETWORK = { offline: false, latency: 150, downloadThroughput: 1_600_000 / 8, uploadThroughput: 750_000 / 8 };
const VISITS = 3;
const EMPTY = 'bench/empty-page/dist';

const TYPES: Record<string, string> = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css', '.svg': 'image/svg+xml' };

/** The empty page as our own pages are served: compressed beforehand, and for ever under a hashed name. */
const serveEmptyPage = async (): Promise<{ url: string; end: () => void }> => {
  const packed = new Map<string, Buffer>();
  const server = createServer((req, res) => {
    const file = join(EMPTY, new URL(req.url ?? '/', 'http://x').pathname);
    const found = statSync(file, { throwIfNoEntry: false })?.isFile() ? file : join(EMPTY, 'index.html');
    const bytes = packed.get(found) ?? brotliCompressSync(readFileSync(found));
    packed.set(found, bytes);
    const age = /-[0-9a-f]{32}\./.test(found) ? 'public, max-age=31536000, immutable' : 'no-cache';
    const type = TYPES[extname(found)] ?? 'application/octet-stream';
    res.writeHead(200, { 'content-type': type, 'content-encoding': 'br', 'cache-control': age }).end(bytes);
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const end = () => {
    server.closeAllConnections();
    server.close();
  };
  return { url: `http://localhost:${(server.address() as AddressInfo).port}`, end };
};

const slowed = async (context: BrowserContext): Promise<Page> => {
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  await cdp.send('Network.emulateNetworkConditions', NETWORK);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWED });
  return page;
};

/** ms from going there until the thing to use stands there and the page is free to answer a press. */
const untilUsable = async (page: Page, url: string, thing: string): Promise<number> => {
  await page.goto(url, { waitUntil: 'commit' });
  await page.locator(thing).first().waitFor({ timeout: 60_000 });
  return page.evaluate(
    () => new Promise<number>((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()), 0))),
  );
};

type Visited = { first: number; again: number };

/** Visits as somebody who has never been there, and once more when everything is kept; the middle of some visits each. */
const visit = async (
  browser: Browser,
  url: string,
  thing: string,
  prepare?: (context: BrowserContext) => Promise<void>,
): Promise<Visited> => {
  const firsts: number[] = [];
  const agains: number[] = [];
  for (let i = 0; i < VISITS; i += 1) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' });
    await prepare?.(context);
    const page = await slowed(context);
    firsts.push(await untilUsable(page, url, thing));
    // Until the service worker, where there is one, has kept what it keeps.
    await page.waitForLoadState('networkidle', { timeout: 120_000 });
    await page.evaluate(async () => {
      if ((await navigator.serviceWorker.getRegistrations()).length > 0) await navigator.serviceWorker.ready;
    });
    await page.goto('about:blank');
    agains.push(await untilUsable(page, url, thing));
    await context.close();
  }
  return { first: quantile(firsts, 0.5), again: quantile(agains, 0.5) };
};

/** Signs a hand in, as the phone remembers it, and leaves nothing else: the app is to come over the line once more. */
const signIn = async (quay: QuayServer, context: BrowserContext): Promise<void> => {
  const desk = new Client(quay.url);
  await desk.signIn(MANAGER);
  const { code } = (await desk.send('POST', '/enrolments', {})).json;
  await context.request.post(`${quay.url}/api/devices`, { data: { code, name: 'Slow phone' } });
  const page = await context.newPage();
  await page.goto(quay.url);
  await page.getByTestId(`who-${BRAM.name}`).click();
  await page.getByTestId('secret').fill(BRAM.secret);
  await page.getByTestId('sign-in').click();
  await page.getByTestId('nav-today').waitFor();
  await page.evaluate(async () => {
    for (const worker of await navigator.serviceWorker.getRegistrations()) await worker.unregister();
    for (const name of await caches.keys()) await caches.delete(name);
  });
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.clearBrowserCache');
  await page.close();
};

const renterLink = async (quay: QuayServer): Promise<string> => {
  const desk = new Client(quay.url);
  await desk.signIn(MANAGER);
  const { json } = await desk.send('POST', '/hires/h-1001/links', {});
  return String(json.url);
};

/** The largest file that a route has for itself, kB gzipped: the first file and what is common to several are no route's own. */
const largestRoute = (): number =>
  Math.max(
    ...readdirSync('app/dist/_expo/static/js/web')
      .filter((file) => file.endsWith('.js') && readFileSync('app/dist/sw.js', 'utf8').includes(basename(file)))
      .filter((file) => !/^(entry|__first|__shared|__expo)/.test(file))
      .map((file) => gzipSync(readFileSync(join('app/dist/_expo/static/js/web', file)), { level: 9 }).length / 1000),
  );

/** How long until a first view can be used on a slow phone, against the empty Paper and Router page in the same run. */
export const firstUse = async (): Promise<Figure[]> => {
  await buildEmptyPage();
  const empty = await serveEmptyPage();
  try {
    return await onQuay(async (quay, browser) => {
      const page = await visit(browser, empty.url, 'text=empty');
      const signingIn = await visit(browser, quay.url, '[data-testid="name"]');
      const day = await visit(browser, quay.url, '[data-testid="hire-h-1001"]', (context) => signIn(quay, context));
      const renter = await visit(browser, await renterLink(quay), '[data-testid="open-party"]');
      const lines = Object.entries({ 'empty page': page, 'sign-in': signingIn, day, 'renter’s start': renter });
      for (const [name, { first, again }] of lines) console.error(`  ${name}: ${Math.round(first)} ms, again ${Math.round(again)} ms`);
      return [
        figure('sign-in usable / empty page', signingIn.first / page.first, '×', 1.35),
        figure('renter’s start usable / empty page', renter.first / page.first, '×', 1.5),
        figure('day usable / empty page', day.first / page.first, '×', 1.8),
        figure('sign-in, kept / empty page’s first', signingIn.again / page.first, '×', 0.45),
        figure('renter’s start, kept / empty page’s first', renter.again / page.first, '×', 0.45),
        figure('largest file of a route’s own, gzipped', largestRoute(), 'kB', 80),
      ];
    });
  } finally {
    empty.end();
  }
};
