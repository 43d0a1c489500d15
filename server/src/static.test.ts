import { heldBefore } from './topics/settlement/payment';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { openStore, type Store } from './platform/database/open';
import { quayKey } from './platform/database/setting';
import { integrationsOf } from './integrations/integrations';
import { makeApp } from './app';

const HASH = '0123456789abcdef0123456789abcdef';
let folder: string;
let store: Store;
let server: Server;
let base: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'quay-static-'));
  const web = join(folder, 'web');
  mkdirSync(join(web, '_expo/static/js/web'), { recursive: true });
  const script = `console.log("${'x'.repeat(2000)}")`;
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>Jolly Quay</title>');
  writeFileSync(join(web, `_expo/static/js/web/entry-${HASH}.js`), script);
  writeFileSync(join(web, `_expo/static/js/web/entry-${HASH}.js.br`), brotliCompressSync(script));
  writeFileSync(join(web, 'sw.js'), '/* worker */');
  store = await openStore(join(folder, 'data'));
  const quay = {
    store,
    key: await quayKey(store.db),
    integrations: integrationsOf(true, () => store.db, heldBefore),
    epoch: 'e',
    version: 'test',
    secureCookies: true,
    now: () => new Date(),
  };
  server = makeApp(quay, web).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

const get = (path: string, headers: Record<string, string> = {}) => fetch(`${base}${path}`, { headers });

describe('the built app', () => {
  it('is served in brotli, for a year where the name carries the content’s hash', async () => {
    const script = await get(`/_expo/static/js/web/entry-${HASH}.js`, { 'accept-encoding': 'br' });
    expect(script.headers.get('content-encoding')).toBe('br');
    expect(script.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
    expect(await script.text()).toContain('console.log');
  });

  it('is asked for anew where it does not: the page and the worker', async () => {
    for (const path of ['/', '/sw.js']) expect((await get(path)).headers.get('cache-control')).toBe('no-cache');
  });

  it('answers every page address with the app, and nothing else', async () => {
    for (const path of ['/', '/hire/h-1001', '/hire/h-1001/walk/out', '/enrol', '/no/such/page']) {
      const page = await get(path, { accept: 'text/html' });
      expect([path, page.status, await page.text()]).toEqual([path, 200, expect.stringContaining('Jolly Quay')]);
    }
    const missing = await get('/_expo/static/js/web/gone.js', { accept: '*/*' });
    expect([missing.status, missing.headers.get('content-type')]).toEqual([404, expect.stringContaining('application/problem+json')]);
    expect((await get('/api/no/such/thing')).status).toBe(404);
    expect((await fetch(`${base}/hire/h-1001`, { method: 'POST' })).status).toBe(404);
  });

  it('may run nothing but its own files', async () => {
    const { headers } = await get('/');
    const policy = headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toContain('unsafe');
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers.get('referrer-policy')).toBe('no-referrer');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('strict-transport-security')).toBe('max-age=15552000');
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

describe('what cannot be read', () => {
  it('is a problem in JSON: broken, too large', async () => {
    const post = (body: string) => fetch(`${base}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    const broken = await post('{"name":');
    expect([broken.status, ((await broken.json()) as { code: string }).code]).toEqual([400, 'badRequest']);
    const large = await post(JSON.stringify({ name: 'x'.repeat(5 * 1024 * 1024), secret: 'y' }));
    expect([large.status, ((await large.json()) as { code: string }).code]).toEqual([413, 'tooMuch']);
    const wrong = await post('{"name":7,"secret":"x"}');
    expect(await wrong.json()).toMatchObject({
      status: 400,
      code: 'doesNotFit',
      figures: { where: expect.stringContaining('name') as string },
    });
  });

  it('of the quay’s own faults says nothing but that nothing is lost', async () => {
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const broken = makeApp(
      {
        store: { ...store, db: undefined as never },
        key: await quayKey(store.db),
        integrations: integrationsOf(true, () => store.db, heldBefore),
        epoch: 'e',
        version: 't',
        secureCookies: false,
        now: () => new Date(),
      },
      undefined,
    ).listen(0, '127.0.0.1');
    await new Promise((resolve) => broken.once('listening', resolve));
    const answer = await fetch(`http://127.0.0.1:${(broken.address() as AddressInfo).port}/api/session`, {
      headers: { cookie: 'quay_session=a; quay_device=b' },
    });
    const text = await answer.text();
    expect([answer.status, text]).toEqual([500, JSON.stringify({ type: 'about:blank', status: 500, code: 'fault' })]);
    expect(text).not.toMatch(/TypeError|node_modules|\.ts:/);
    expect(said).toHaveBeenCalled();
    said.mockRestore();
    broken.closeAllConnections();
    broken.close();
  });
});
