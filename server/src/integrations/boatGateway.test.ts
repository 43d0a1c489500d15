import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { simulatedBoatGateway } from '@quay/simulators/boatGateway';
import { gatewayAt, noBoatGateway } from './boatGateway';

const now = () => new Date('2026-06-13T10:42:00.000Z');
const stand = simulatedBoatGateway(() => now().getTime());
const at = (way: 'nmea' | 'json') =>
  gatewayAt(async () => ({ host: '127.0.0.1', ...(await stand.address()) }), { simulated: true, way, now });
const BOAT = { id: 'brisk-otter' };
beforeEach(() => (stand.mode = 'works'));
afterAll(() => stand.close());

const fuel = async (way: 'nmea' | 'json') => {
  const found = await at(way).read(BOAT);
  return found.ok ? found.readings.find(({ wire }) => wire === 'FUEL')?.value : undefined;
};

describe('a boat’s gateway', () => {
  it.each(['nmea', 'json'] as const)('says by %s what her instruments show, and where she is', async (way) => {
    const found = await at(way).read(BOAT);
    if (!found.ok) throw new Error('silent');
    const truth = stand.wiresOf(BOAT.id);
    const of = (wire: string) => found.readings.find((one) => one.wire === wire)?.value;
    expect(of('FUEL')).toBeCloseTo(truth.fuelShare * 100, 0);
    expect(of('HOUSE')).toBeCloseTo(truth.volts, 2);
    expect(of('ENGINE')).toBeCloseTo(truth.hours, 1);
    expect(found.position?.longitude).toBeCloseTo(truth.position[0], 4);
    expect(found.position?.latitude).toBeCloseTo(truth.position[1], 4);
  });

  it('sticks and drifts on request', async () => {
    let at = now().getTime();
    const moving = simulatedBoatGateway(() => at);
    const share = () => moving.wiresOf(BOAT.id).fuelShare;
    const first = share();
    at += 20_000;
    expect(share()).not.toBe(first);
    moving.mode = 'sticks';
    const held = share();
    at += 3_600_000;
    expect(share()).toBe(held);
    moving.mode = 'drifts';
    const begun = share();
    at += 120_000;
    expect(share()).toBeGreaterThan(begun + 0.1);
    await moving.close();
  });

  it.each(['nmea', 'json'] as const)('that is silent by %s says nothing, and that is said', async (way) => {
    stand.mode = 'silent';
    expect(await at(way).read(BOAT)).toEqual({ ok: false, reason: 'silent' });
    expect(await fuel(way)).toBeUndefined();
  });

  it('that is not there, or talks nonsense, is as good as silent', async () => {
    const gone = gatewayAt(() => Promise.resolve({ host: '127.0.0.1', port: 1 }), { simulated: false, way: 'nmea', now });
    expect(await gone.read(BOAT)).toEqual({ ok: false, reason: 'silent' });
    const babble = createServer((socket) => {
      socket.on('error', () => undefined).resume();
      socket.write('$IIXDR,V,62.5,P,FUEL*00\r\nhello\r\n');
    });
    await new Promise<void>((done) => babble.listen(0, '127.0.0.1', done));
    const nonsense = gatewayAt(() => Promise.resolve({ host: '127.0.0.1', port: (babble.address() as AddressInfo).port }), {
      simulated: false,
      way: 'nmea',
      now,
    });
    expect(await nonsense.read(BOAT)).toEqual({ ok: false, reason: 'silent' });
    await new Promise((done) => babble.close(done));
    expect(await noBoatGateway.read(BOAT)).toEqual({ ok: false, reason: 'none' });
  });
});
