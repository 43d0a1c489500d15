import { Agent, createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Response } from 'express';
import { makeGate, patient, proxiesOf, StartError } from './main';
import { holdFolder } from './platform/database/lock';
import { MANAGER, testQuay } from './testing/quay';

describe('a data folder', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'quay-lock-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('is one program’s, until it lets go', () => {
    const release = holdFolder(folder)!;
    expect(holdFolder(folder)).toBeUndefined();
    mkdirSync(join(folder, 'other'));
    holdFolder(join(folder, 'other'))!();
    release();
    holdFolder(folder)!();
  });
});

it('holds a connection that says nothing for longer than the five seconds after which a browser still asks on it', async () => {
  const server = patient(createServer((_req, res) => res.end('here')));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = () =>
    new Promise<boolean>((resolve, reject) => {
      const asked = request({ port: (server.address() as AddressInfo).port, agent }, (res) => {
        res.resume().on('end', () => resolve(asked.reusedSocket));
      });
      asked.on('error', reject).end();
    });
  expect(await ask()).toBe(false);
  await new Promise((resolve) => setTimeout(resolve, 6500));
  expect(await ask()).toBe(true);
  agent.destroy();
  server.close();
});

describe('exchanging the data under a running quay', () => {
  const half = (port: number, path: string, length = 100) =>
    new Promise<{ end: () => void; status: Promise<number> }>((resolve) => {
      const asked = request({ port, path, method: 'POST', headers: { 'content-type': 'application/json', 'content-length': length } });
      const status = new Promise<number>((done) => {
        asked.on('response', (res) => {
          res.resume();
          done(res.statusCode ?? 0);
        });
        asked.on('error', () => done(0));
      });
      asked.write('{"name":', () => resolve({ end: () => asked.destroy(), status }));
    });

  it('is not held back by a request that is half sent and never ends', async () => {
    const gate = makeGate(2000, 2000);
    const quay = await testQuay({ gate });
    const port = Number(new URL(quay.base).port);
    const halves = [await half(port, '/api/session'), await half(port, '/api/devices'), await half(port, '/api/hires/h-1001/events')];
    // Nobody who is not known is read the rest of.
    expect(await halves[2]!.status).toBe(401);
    await new Promise((resolve) => setTimeout(resolve, 100));
    const began = Date.now();
    await gate.alone(() => Promise.resolve());
    expect(Date.now() - began).toBeLessThan(1000);
    for (const { end } of halves) end();
    await quay.stop();
  });

  it('waits for what is under way, cuts off who reads too slowly, and tells others to come back', async () => {
    const gate = makeGate(100, 3000);
    const cut: string[] = [];
    const responseOf = (name: string, leave: () => void) =>
      ({
        set: () => undefined,
        destroy: () => {
          cut.push(name);
          leave();
        },
      }) as unknown as Response;
    let leaveSlow = (): void => undefined;
    leaveSlow = gate.enter(responseOf('slow', () => leaveSlow()));
    const leaveQuick = gate.enter(responseOf('quick', () => undefined));
    setTimeout(leaveQuick, 20);
    let done = false;
    const exchange = gate.alone(() => {
      done = true;
      expect(() => gate.enter(responseOf('late', () => undefined))).toThrow('restoring');
      return Promise.resolve();
    });
    expect(done).toBe(false);
    await exchange;
    expect([done, cut]).toEqual([true, ['slow']]);
    gate.enter(responseOf('after', () => undefined))();
  });
});

describe('a proxy in front', () => {
  it('is named by address; what is none is said', () => {
    expect(proxiesOf(undefined)).toEqual(['loopback']);
    expect(proxiesOf('--port')).toEqual(['loopback']);
    expect(proxiesOf('10.0.0.2, 192.168.4.0/24,::1')).toEqual(['loopback', '10.0.0.2', '192.168.4.0/24', '::1']);
    for (const wrong of ['proxy.example', '10.0.0.0/33', '10.0.0.2/x', '1.2.3']) expect(() => proxiesOf(wrong)).toThrow(StartError);
  });

  it('is believed who asks and how, and nobody else is', async () => {
    for (const [proxies, believed] of [
      [[], false],
      [['10.0.0.2'], false],
      [['loopback'], true],
    ] as const) {
      const quay = await testQuay({ proxies: [...proxies] });
      const manager = quay.client();
      await manager.signIn(MANAGER);
      const { json } = await manager.send('POST', '/enrolments', {}, { 'x-forwarded-proto': 'https' });
      expect((json.url as string).startsWith('https:')).toBe(believed);
      const statuses = [];
      // Each from another address, as it says.
      for (let i = 0; i < 12; i += 1)
        statuses.push(
          (await quay.client().send('POST', '/renter/session', { token: `no ${i}` }, { 'x-forwarded-for': `203.0.113.${i}` })).status,
        );
      expect(statuses.includes(429)).toBe(!believed);
      await quay.stop();
    }
  });
});
