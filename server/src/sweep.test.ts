import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENDPOINTS } from '@quay/contract/all';
import type { Endpoint } from '@quay/contract/endpoint';
import { openApi } from '@quay/contract/openapi';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from './testing/quay';

let quay: TestQuay;
let hand: Client;
beforeAll(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
});
afterAll(() => quay.stop());

/** Without a session only these answer: health, setting up, the two halves of signing in, and exchanging a renter’s link. */
const OPEN = ['enrol', 'health', 'openLink', 'readCalendar', 'setUp', 'signIn', 'whoSignsIn'];

const pathOf = ({ path }: Endpoint, hireId: string) =>
  path
    .replace(':hireId', hireId)
    .replace(':sha', 'a'.repeat(64))
    .replace(':name', 'keySafe')
    .replace(/:(out|back)/g, 'b'.repeat(64))
    .replace(':picture', 'heat')
    .replace(/:\w+/g, 'x1');
const bodyOf = ({ method, takesBytes }: Endpoint) =>
  method === 'GET' || method === 'DELETE' ? undefined : takesBytes ? new Uint8Array([1]) : {};
const queryOf = ({ name, takesBytes }: Endpoint) => (takesBytes ? '?offset=0&size=1' : name === 'previewSwap' ? '?boat=tuppenny-bun' : '');
/** How bookings of elsewhere are read. */
const READING = { kind: 'calendar', base: 'ossel-quay', boat: null, boats: {}, clocks: { from: '10:00', to: '17:00' }, adults: 2 };
const goodBodies: Record<string, unknown> = {
  setKeyCode: { code: '123456' },
  setSimulator: { mode: 'silent' },
  holdDeposit: { amountMinor: 100 },
  chargeCard: { amountMinor: 100 },
  correctStatement: { seen: 1, lines: [{ line: 'late', amountMinor: 0 }], why: 'x' },
  appendEvents: { sentAt: '2026-06-13T10:42:00.000Z', events: [{}] },
  changeHire: {},
  cancelHire: { why: 'noShow' },
  reinstateHire: {},
  lookAtAddress: { address: 'https://elsewhere.example/x.ics' },
  previewIncoming: { reading: READING },
  loadIncoming: { name: 'x', reading: READING, digest: 'a'.repeat(64), cancelGone: false },
  makeAddress: { base: 'ossel-quay', boat: null, names: true },
  takeOutOfService: { id: 'o1', from: '2026-06-13T10:00:00.000Z', to: null, why: 'x' },
  bookHire: {
    id: 'h-new',
    boat: 'tuppenny-bun',
    from: '2026-06-13T10:00:00.000Z',
    to: '2026-06-13T12:00:00.000Z',
    renter: 'x',
    contact: '',
    language: 'en',
    handover: 'staffed',
    party: { adults: 1, children: 0 },
    depositMinor: 0,
    notes: '',
  },
  tryCondition: { condition: { fact: 'party.people', atLeast: 1 } },
  changeEverywhere: { points: [] },
  changeRules: { rules: JSON.parse(readFileSync(join(__dirname, '../../starters/rules/everyone-under-way.json'), 'utf8')) as unknown },
  changeWaters: { waters: { type: 'FeatureCollection', id: 'x', name: 'x', features: [] } },
  changeStaff: { name: 'x', role: 'hand' },
  addStaff: { name: 'x', role: 'hand', secret: '123456' },
  addBase: { name: 'x', zone: 'Europe/Dublin', phone: '', water: 'x', emergencyNumber: '', rules: 'x' },
  copyBoat: { name: 'x', hullNumber: 'x' },
  addBoat: {
    starter: 'rib-6',
    base: 'x',
    answers: {
      name: 'x',
      hullNumber: 'x',
      people: 1,
      loadKg: 1,
      lengthM: 5,
      beamM: 2,
      fuelShown: [],
      steering: 'wheel',
      fittings: {},
      without: [],
      places: {},
    },
  },
  changePrices: { fuelScheme: 'used', fuelIncludedL: 0, lateGraceMin: 0, damage: { policy: 'list' }, prices: [] },
  changeOperator: {
    name: 'x',
    languages: ['en'],
    policies: {},
    briefingMinutes: 20,
    understandingBy: ['driver'],
    demonstrationCounts: true,
    castOff: {},
    freeLine: { handMinor: 0, askMinor: 1 },
    turnaroundMinutes: 30,
    underWayHoursADay: 3,
  },
  changeComparison: { do: 'again' },
  changeLearnt: { do: 'forget' },
  closeHire: { totalMinor: 0, events: 0 },
  textIsRight: { is: 'class', id: 'any-boat', path: 'points[lever].say' },
  putAside: { key: 'late/h-1001/1' },
  bringBack: { key: 'late/h-1001/1' },
  setAside: { event: 'x1', why: 'x' },
  sendSheet: { sheet: { salt: '0'.repeat(32), party: { people: [{ id: 'a', name: '', swims: 'well' }] } } },
};
const RENTERS = { 'x-quay-renter': 'h-1001' };

describe('every endpoint of the contract', () => {
  it('only those meant to be open are', () => {
    expect(
      ENDPOINTS.filter(({ roles }) => roles === 'open')
        .map(({ name }) => name)
        .sort(),
    ).toEqual(OPEN);
    expect(ENDPOINTS.length).toBeGreaterThan(15);
    expect(new Set(ENDPOINTS.map(({ method, path }) => `${method} ${path}`)).size).toBe(ENDPOINTS.length);
  });

  it.each(ENDPOINTS.filter(({ roles }) => roles !== 'open').map((one) => [one.name, one] as const))(
    '%s is refused without a session, and with one that has ended',
    async (_, one) => {
      const nobody = await quay.client().send(one.method, pathOf(one, 'h-1001') + queryOf(one), bodyOf(one));
      expect(nobody.status).toBe(401);
      expect(nobody.headers.get('content-type')).toContain('application/problem+json');
      const gone = quay.client();
      gone.cookies.set('quay_session', 'x'.repeat(43));
      gone.cookies.set('quay_device', 'y'.repeat(43));
      expect((await gone.send(one.method, pathOf(one, 'h-1001') + queryOf(one), bodyOf(one))).status).toBe(401);
    },
  );

  describe('to a renter', () => {
    let renter: Client;
    beforeAll(async () => {
      const { json } = await hand.send('POST', '/hires/h-1001/links', {});
      renter = quay.client();
      const opened = await renter.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
      expect([opened.status, opened.json.hireId]).toEqual([200, 'h-1001']);
    });
    const guarded = ENDPOINTS.filter(({ roles }) => roles !== 'open');
    const send = (one: Endpoint, hire: string) =>
      renter.send(one.method, pathOf(one, hire) + queryOf(one), goodBodies[one.name] ?? bodyOf(one), { ...RENTERS, 'if-match': '"1"' });

    it.each(guarded.filter(({ roles }) => !roles.includes('renter')).map((one) => [one.name, one] as const))(
      '%s is refused',
      async (_, one) => {
        const answer = await send(one, 'h-1001');
        expect([answer.status, answer.json.code]).toEqual([403, 'mayNot']);
      },
    );
    it.each(
      guarded.filter(({ roles, path }) => roles.includes('renter') && path.includes(':hireId')).map((one) => [one.name, one] as const),
    )('%s of another hire is not there', async (_, one) => {
      const answer = await send(one, 'h-1002');
      expect([answer.status, answer.json.code]).toEqual([404, 'noSuchHire']);
      // Nor by naming the other hire as one's own: this phone has no session there.
      const own = await renter.send(one.method, pathOf(one, 'h-1002') + queryOf(one), goodBodies[one.name] ?? bodyOf(one), {
        'x-quay-renter': 'h-1002',
      });
      expect([own.status, own.json.code]).toEqual([401, 'linkEnded']);
    });
  });

  it.each(
    ENDPOINTS.filter(({ roles }) => roles !== 'open' && !roles.includes('hand') && roles.includes('manager')).map(
      (one) => [one.name, one] as const,
    ),
  )('%s is refused to a hand', async (_, one) => {
    const answer = await hand.send(one.method, pathOf(one, 'h-1001'), goodBodies[one.name] ?? bodyOf(one));
    expect([answer.status, answer.json.code]).toEqual([403, 'mayNot']);
  });

  it.each(
    ENDPOINTS.filter(({ path, roles }) => path.includes(':hireId') && roles.includes('manager')).map((one) => [one.name, one] as const),
  )('%s knows no hire that is not there', async (_, one) => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const answer = await manager.send(one.method, pathOf(one, 'h-9999') + queryOf(one), goodBodies[one.name] ?? bodyOf(one), {
      'if-match': '"1"',
    });
    expect(answer.status).toBe(404);
  });

  it('a photograph of one hire is not to be had through another, whoever knows its name', async () => {
    const { appendPhoto } = await import('./topics/photo/upload');
    const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
    const sha = (await import('node:crypto')).createHash('sha256').update(png).digest('hex');
    expect(
      await appendPhoto(quay.store, { hire: 'h-1001', sha, offset: 0, size: png.length, bytes: png, now: '2026-06-13T10:42:00.000Z' }),
    ).toMatchObject({
      ok: true,
      complete: true,
    });
    expect((await hand.send('GET', `/hires/h-1001/photos/${sha}`)).status).toBe(200);
    expect((await hand.send('GET', `/hires/h-1002/photos/${sha}`)).status).toBe(404);
  });

  it('refuses what another site asks for with our cookies', async () => {
    const answer = await hand.send('POST', '/hires/h-1001/close', { totalMinor: 0, events: 0 }, { origin: 'https://elsewhere.test' });
    expect([answer.status, answer.json.code]).toEqual([403, 'otherSite']);
  });

  it('is described by the same declarations', async () => {
    const { json } = await hand.send('GET', '/openapi.json');
    expect(json).toEqual(JSON.parse(JSON.stringify(openApi('test'))));
    expect(Object.keys(json.paths as object)).toContain('/api/hires/{hireId}/events');
  });
});
