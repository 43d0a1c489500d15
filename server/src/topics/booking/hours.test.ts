import { MANAGER, testQuay, type Client, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let manager: Client;
beforeAll(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterAll(() => quay.stop());

type Hours = { rule: string; faults: { is: string; end: string }[]; better: string[] };
const choices = async (from: string, to: string, more = '') =>
  (await manager.send('GET', `/bookings/choices?base=ossel-quay&from=${from}&to=${to}&people=2${more}`)).json.hours as Hours;
let n = 0;
const book = (from: string, to: string, more: object = {}) =>
  manager.send('POST', '/hires', {
    ...{ id: `h-hours-${(n += 1)}`, boat: 'tuppenny-bun', from, to, renter: 'Early Bird', contact: '', language: 'en' },
    ...{ handover: 'staffed', party: { adults: 2, children: 0 }, depositMinor: 0, notes: '' },
    ...more,
  });
/** How the operator takes hours that are not theirs. */
const rule = async (outsideHours: string) => {
  const { name, settings, version } = (await manager.send('GET', '/operator')).json as {
    name: string;
    settings: Record<string, unknown>;
    version: number;
  };
  const { points: _, ...rest } = settings;
  return manager.send('PATCH', '/operator', { ...rest, name, outsideHours }, { 'if-match': `"${version}"` });
};

describe('hours at which nobody is there', () => {
  // Summer time: an hour ahead of these.
  const EARLY = ['2026-06-20T06:30:00.000Z', '2026-06-20T09:30:00.000Z'] as const;
  const FINE = ['2026-06-20T09:00:00.000Z', '2026-06-20T12:00:00.000Z'] as const;

  it('a manager says when a base is open', async () => {
    const { base, version } = (await manager.send('GET', '/bases/ossel-quay/book')).json as {
      base: Record<string, unknown>;
      version: number;
    };
    const put = (more: object) =>
      manager.send('PATCH', '/bases/ossel-quay/book', { base: { ...base, ...more } }, { 'if-match': `"${version}"` });
    const every = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
    expect((await put({ hours: [{ days: every, from: '25:00', to: '18:00' }] })).status).toBe(400);
    expect(
      (await put({ hours: [{ days: every, from: '08:00', to: '19:00' }], closed: [{ from: '2026-06-21', to: '2026-06-22' }] })).status,
    ).toBe(200);
  });

  it('are told with others near them that nothing is against', async () => {
    const told = await choices(...EARLY);
    expect([told.rule, told.faults]).toEqual(['note', [expect.objectContaining({ is: 'closed', end: 'from' })]]);
    expect(told.better).toEqual(['2026-06-20T07:00:00.000Z']);
    expect((await choices(...FINE)).faults).toEqual([]);
    expect((await choices('2026-06-21T09:00:00.000Z', '2026-06-21T12:00:00.000Z')).faults.map(({ end }) => end)).toEqual(['from', 'to']);
    // Whoever comes alone needs nobody there.
    expect((await choices(...EARLY, '&handover=unattended')).faults).toEqual([]);
  });

  it('are only noted, asked for once more, or refused, as the operator says', async () => {
    expect((await book(...EARLY)).status).toBe(200);
    await rule('ask');
    const [from, to] = ['2026-06-23T06:30:00.000Z', '2026-06-23T09:30:00.000Z'];
    const asked = await book(from, to);
    expect([asked.status, asked.json.code, asked.json.figures]).toEqual([409, 'baseClosed', { clock: '07:30', may: 1 }]);
    expect((await book(from, to, { insistHours: true })).status).toBe(200);
    const dark = await book('2026-12-12T12:00:00.000Z', '2026-12-12T20:30:00.000Z', { handover: 'unattended' });
    expect(dark.json.code).toBe('afterDark');
    await rule('refuse');
    const refused = await book('2026-06-24T06:30:00.000Z', '2026-06-24T09:30:00.000Z', { insistHours: true });
    expect([refused.json.code, refused.json.figures]).toEqual(['baseClosed', { clock: '07:30', may: 0 }]);
  });

  it('a hire that was booked so stays so; only an end that is changed is looked at', async () => {
    await rule('ask');
    const [from, to] = ['2026-06-25T06:30:00.000Z', '2026-06-25T09:30:00.000Z'];
    const { json } = await book(from, to, { insistHours: true });
    const change = (body: object, version: number) =>
      manager.send('PATCH', `/hires/${json.id as string}`, body, { 'if-match': `"${version}"` });
    expect((await change({ to: '2026-06-25T10:00:00.000Z' }, 1)).status).toBe(200);
    expect((await change({ to: '2026-06-25T19:30:00.000Z' }, 2)).json.code).toBe('baseClosed');
    expect((await change({ to: '2026-06-25T19:30:00.000Z', insistHours: true }, 2)).status).toBe(200);
  });
});
