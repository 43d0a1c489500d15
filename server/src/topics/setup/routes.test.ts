import type { Prices } from '@quay/contract/prices';
import { METRIC } from '@quay/core/number/units';
import type { Starter } from '@quay/contract/newBoat';
import type { PriceList } from '@quay/core/settlement/prices';
import { type Client, HAND, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';
import { makeSetupCode } from './setUp';

const FIRST = {
  operator: 'Tarn Boats',
  address: 'The Shed, Low Road 1',
  phone: '000 555 0111',
  currency: 'GBP',
  taxBp: 2000,
  languages: ['en', 'de'],
  manager: 'Odda Penn',
  password: 'a long enough word',
  units: { ...METRIC, volume: 'galUk', speed: 'mph' },
};
const BASE = { name: 'Low Pier', zone: 'Europe/London', phone: '', water: 'Low Mere', emergencyNumber: '112', rules: 'everyone-under-way' };

let quay: TestQuay;
let manager: Client;
beforeAll(async () => {
  quay = await testQuay({ empty: true, simulated: false });
  manager = quay.client();
});
afterAll(() => quay.stop());

type Steps = { is: string; state: string; count: number }[];
const steps = async () => (await manager.send('GET', '/readiness')).json.steps as Steps;
const stateOf = async (is: string) => (await steps()).find((step) => step.is === is)!.state;
const starters = async () => (await manager.send('GET', '/starters')).json.starters as Starter[];
const codeOf = ({ status, json }: { status: number; json: Record<string, unknown> }) => [status, json.code];

describe('an empty installation', () => {
  it('is set up once, under the code that was printed, and its first manager is signed in', async () => {
    const setUp = (code: string, more: object = {}) => manager.send('POST', '/setup', { code, ...FIRST, ...more });
    expect((await manager.send('GET', '/session/names')).json.setUp).toBe(false);
    const first = (await makeSetupCode(quay.store.db))!;
    const code = (await makeSetupCode(quay.store.db))!;
    // Started anew, the code before is none.
    expect(codeOf(await setUp(first))).toEqual([401, 'setupCodeWrong']);
    expect(codeOf(await setUp(code, { password: 'short' }))).toEqual([400, 'weakPassword']);
    expect((await setUp(code, { currency: 'pounds' })).status).toBe(400);
    expect((await setUp(code, { units: { ...METRIC, volume: 'barrels' } })).status).toBe(400);
    expect((await manager.send('GET', '/session')).status).toBe(401);
    expect((await setUp(code)).status).toBe(200);
    expect((await manager.send('GET', '/session')).json.operator).toEqual({
      ...{ name: 'Tarn Boats', currency: 'GBP', simulated: false },
      units: { ...METRIC, volume: 'galUk', speed: 'mph' },
    });
    // Whoever speaks in gallons prices fuel by them.
    const { list } = (await manager.send('GET', '/prices')).json as unknown as Prices;
    expect(list.prices.filter(({ code }) => code === 'petrol' || code === 'pump-out').map(({ per }) => per)).toEqual(['galUk', 'job']);
    expect((await manager.send('GET', '/session/names')).json.setUp).toBe(true);
    expect(codeOf(await setUp(code))).toEqual([409, 'setUpDone']);
    expect(await makeSetupCode(quay.store.db)).toBeUndefined();
  });

  it('knows what is missing before the first hire', async () => {
    expect((await steps()).filter(({ state }) => state === 'needed').map(({ is }) => is)).toEqual(['base', 'boat', 'rules']);
    expect(await stateOf('https')).toBe('open');
  });

  it('takes a base with the water in front of it and its rules', async () => {
    expect(codeOf(await manager.send('POST', '/bases', { ...BASE, rules: 'nobody-knows' }))).toEqual([404, 'noSuchBook']);
    expect(codeOf(await manager.send('POST', '/bases', { ...BASE, zone: 'Low/Mere' }))).toEqual([400, 'noZone']);
    expect(await quay.store.db('waters')).toEqual([]);
    expect((await manager.send('POST', '/bases', BASE)).json).toEqual({ id: 'low-pier' });
    expect(codeOf(await manager.send('POST', '/bases', { ...BASE, name: 'low pier' }))).toEqual([409, 'nameTaken']);
    // Another base on the same water.
    expect((await manager.send('POST', '/bases', { ...BASE, name: 'High Pier', water: 'low mere' })).status).toBe(200);
    expect(await quay.store.db('waters').select('id', 'name')).toEqual([{ id: 'low-mere', name: 'Low Mere' }]);
    expect([await stateOf('base'), await stateOf('rules'), await stateOf('waters')]).toEqual(['done', 'done', 'open']);
  });

  it('makes a boat from every starter, and none that cannot be', async () => {
    for (const [i, { id, usual }] of (await starters()).entries()) {
      const boat = { starter: id, base: 'low-pier', answers: { ...usual, name: `Boat ${i}`, hullNumber: `LP ${i}` } };
      const done = await manager.send('POST', '/boats', boat);
      expect([id, done.status, done.json]).toEqual([id, 200, { id: `boat-${i}` }]);
      const shelf = await manager.send('GET', `/boats/boat-${i}/book`);
      expect((shelf.json.resolved as { plate: { people: number } }).plate.people).toBe(usual.people);
    }
    const [{ id, usual } = { id: '', usual: {} }] = await starters();
    const twice = { starter: id, base: 'low-pier', answers: { ...usual, name: 'Twice', hullNumber: 'lp 0' } };
    expect(codeOf(await manager.send('POST', '/boats', twice))).toEqual([409, 'hullTaken']);
    const ours = (more: object) =>
      manager.send('POST', '/boats', { ...twice, answers: { ...usual, name: 'X', hullNumber: 'X 1' }, ...more });
    expect(codeOf(await ours({ starter: 'any-boat' }))).toEqual([404, 'noSuchBook']);
    expect(codeOf(await ours({ base: 'nowhere' }))).toEqual([404, 'noBase']);
    const nowhere = { ...usual, name: 'X', hullNumber: 'X 1', fittings: { horn: { count: 1, station: 'crow-nest' } } };
    expect(codeOf(await ours({ answers: nowhere }))).toEqual([422, 'faults']);
    expect(await quay.store.db('boat').where({ name: 'X' })).toEqual([]);
    expect(await stateOf('boat')).toBe('done');
  }, 240_000);

  it('copies a boat as a sister, under a name and a number of her own', async () => {
    expect((await manager.send('POST', '/boats/boat-0/sisters', { name: 'Boat 0', hullNumber: 'LP 20' })).json).toEqual({ id: 'boat-0-2' });
    expect(codeOf(await manager.send('POST', '/boats/boat-0/sisters', { name: 'Z', hullNumber: 'LP 20' }))).toEqual([409, 'hullTaken']);
    expect(codeOf(await manager.send('POST', '/boats/nothing/sisters', { name: 'Z', hullNumber: 'Z' }))).toEqual([404, 'noSuchBoat']);
  });

  it('has a price list that every book’s prices are on, without a sum yet; a manager gives them sums', async () => {
    const now = await manager.send('GET', '/prices');
    const { version, currency: _, breach: __, ...list } = now.json.list as PriceList;
    expect(Object.keys(now.json.usedBy as object).filter((code) => !list.prices.some((price) => price.code === code))).toEqual([]);
    expect(list.prices.every(({ amountMinor }) => amountMinor === 0)).toBe(true);
    expect(list.prices.find(({ code }) => code === 'fender')!.taxBp).toBe(2000);
    expect([await stateOf('prices'), await stateOf('terms')]).toEqual(['open', 'open']);
    const put = (body: unknown, seen = version) => manager.send('PATCH', '/prices', body, { 'if-match': `"${seen}"` });
    expect(codeOf(await put({ ...list, prices: list.prices.filter(({ code }) => code !== 'fender') }))).toEqual([409, 'priceUsed']);
    expect((await put({ ...list, prices: [...list.prices, list.prices[0]] })).status).toBe(400);
    const priced = { ...list, depositMinor: 15_000, prices: list.prices.map((price) => ({ ...price, amountMinor: 1250 })) };
    expect((await put(priced, 9)).status).toBe(412);
    const next = await put(priced);
    expect((next.json.list as PriceList).version).toBe(version + 1);
    expect(next.json.madeBy).toBe('Odda Penn');
    expect([await stateOf('prices'), await stateOf('terms')]).toEqual(['done', 'done']);
    // The usual deposit is asked for of boats that nobody hired yet.
    const wish = 'from=2026-06-20T09:00:00.000Z&to=2026-06-20T12:00:00.000Z&people=2&base=low-pier';
    const offered = (await manager.send('GET', `/bookings/choices?${wish}`)).json.boats as { depositMinor: number }[];
    expect(offered.map(({ depositMinor }) => depositMinor)).toEqual(offered.map(() => 15_000));
    expect(offered.length).toBeGreaterThan(0);
    // Kept as it is, it stays the list it was.
    expect(((await put(priced, version + 1)).json.list as PriceList).version).toBe(version + 1);
  });

  it('takes somebody on, who then signs in on a phone of the quay', async () => {
    const add = (body: unknown) => manager.send('POST', '/staff', body);
    expect(codeOf(await add({ name: 'Bo', role: 'hand', secret: '123' }))).toEqual([400, 'weakPin']);
    expect(codeOf(await add({ name: 'Bo', role: 'manager', secret: 'short' }))).toEqual([400, 'weakPassword']);
    expect((await add({ name: 'Bo Lund', role: 'hand', secret: '482915' })).status).toBe(200);
    expect(codeOf(await add({ name: ' bo lund', role: 'hand', secret: '482916' }))).toEqual([409, 'nameTaken']);
    const { json } = await manager.send('POST', '/enrolments', {});
    const phone = quay.client();
    await phone.send('POST', '/devices', { code: json.code, name: 'Phone' });
    expect((await phone.signIn({ name: 'Bo Lund', secret: '482915' })).status).toBe(200);
    expect([await stateOf('staff'), await stateOf('phone')]).toEqual(['done', 'done']);
  });

  it('keeps its last manager, also when two withdraw each other at the same moment', async () => {
    await manager.send('POST', '/staff', { name: 'Nils Berg', role: 'manager', secret: 'another long word' });
    const nils = quay.client();
    await nils.signIn({ name: 'Nils Berg', secret: 'another long word' });
    const idOf = async (name: string) => (await quay.store.db('staff').where({ name }).first('id'))!.id;
    const [odda, other] = [await idOf('Odda Penn'), await idOf('Nils Berg')];
    const both = await Promise.all([manager.send('DELETE', `/staff/${other}`), nils.send('DELETE', `/staff/${odda}`)]);
    expect(both.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(await quay.store.db('staff').where({ role: 'manager', withdrawnAt: null })).toHaveLength(1);
    await quay.store.db('staff').where({ id: odda }).update({ withdrawnAt: null });
    await manager.signIn({ name: 'Odda Penn', secret: FIRST.password });
  });

  it('books its first hire', async () => {
    const booked = await manager.send('POST', '/hires', {
      id: 'h-first',
      boat: 'boat-0',
      from: '2026-06-14T09:00:00.000Z',
      to: '2026-06-14T13:00:00.000Z',
      renter: 'Ines Okonjo-Lind',
      contact: '',
      language: 'de',
      handover: 'staffed',
      party: { adults: 2, children: 1 },
      depositMinor: 20_000,
      notes: '',
    });
    expect(booked.status).toBe(200);
    expect((await manager.send('GET', '/readiness')).json.hires).toBe(1);
  });
});

describe('an installation that runs', () => {
  it('is not set up again, and lets no hand at its prices', async () => {
    const demo = await testQuay();
    try {
      expect(codeOf(await demo.client().send('POST', '/setup', { code: 'x', ...FIRST }))).toEqual([409, 'setUpDone']);
      const hand = await handOn(demo, HAND);
      expect(codeOf(await hand.send('GET', '/prices'))).toEqual([403, 'mayNot']);
      const boss = demo.client();
      await boss.signIn(MANAGER);
      expect((await boss.send('GET', '/prices')).status).toBe(200);
    } finally {
      await demo.stop();
    }
  });

  it('two who set up at the same moment are not both the first', async () => {
    const other = await testQuay({ empty: true });
    try {
      const code = (await makeSetupCode(other.store.db))!;
      const both = await Promise.all(
        ['Odda Penn', 'Somebody Else'].map((name) => other.client().send('POST', '/setup', { code, ...FIRST, manager: name })),
      );
      expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
      expect(await other.store.db('staff').select('role')).toEqual([{ role: 'manager' }]);
    } finally {
      await other.stop();
    }
  });

  it('guesses at the code are slowed down, and the good one is not', async () => {
    const other = await testQuay({ empty: true });
    try {
      const code = (await makeSetupCode(other.store.db))!;
      const tried = [];
      for (let i = 0; i < 10; i += 1) tried.push((await other.client().send('POST', '/setup', { code: `no ${i}`, ...FIRST })).status);
      expect(tried.slice(0, 8)).toEqual(Array(8).fill(401));
      expect(tried.at(-1)).toBe(429);
      expect((await other.client().send('POST', '/setup', { code, ...FIRST })).status).toBe(200);
    } finally {
      await other.stop();
    }
  });
});
