import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let hand: Client;
const setUp = async (simulated = true) => {
  quay = await testQuay({ simulated });
  hand = await handOn(quay);
};
afterEach(() => quay.stop());
const BASE = '/bases/ossel-quay/weather';

describe('wind and water at a base', () => {
  it('are what the mast has, and said to be simulated where they are', async () => {
    await setUp();
    const { status, json } = await hand.send('GET', BASE);
    expect(status).toBe(200);
    expect(json).toMatchObject({ is: 'observed', simulated: true, observed: { at: quay.clock.now.toISOString() } });
    expect((await hand.send('GET', '/bases/nowhere/weather')).status).toBe(404);
  });

  it('are silent when a manager lets the mast fail, and come again', async () => {
    await setUp();
    const mina = quay.client();
    await mina.send('POST', '/session', MANAGER);
    await mina.send('POST', '/simulators/weatherMast', { mode: 'silent' });
    expect((await hand.send('GET', BASE)).json).toEqual({ is: 'silent' });
    await mina.send('POST', '/simulators/weatherMast', { mode: 'works' });
    expect((await hand.send('GET', BASE)).json).toMatchObject({ is: 'observed' });
  });

  it('are nobody’s where no mast is connected: never made up', async () => {
    await setUp(false);
    expect((await hand.send('GET', BASE)).json).toEqual({ is: 'none' });
  });

  it('are told to a renter for the base of their hire, and of no other', async () => {
    await setUp();
    const { json } = await hand.send('POST', '/hires/h-1001/links', {});
    const phone = quay.client();
    await phone.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
    const ask = (path: string) => phone.send('GET', path, undefined, { 'x-quay-renter': 'h-1001' });
    expect((await ask(BASE)).json).toMatchObject({ is: 'observed' });
    expect((await ask('/bases/pell-slip/weather')).status).toBe(404);
  });

  it('are foreseen hour by hour, late when the service is, and to a renter only at their own base', async () => {
    await setUp();
    const ask = '/bases/ossel-quay/forecast';
    const first = (await hand.send('GET', ask)).json as {
      is: string;
      simulated: boolean;
      forecast: { issuedAt: string; hours: { at: string }[] };
    };
    expect(first).toMatchObject({ is: 'forecast', simulated: true });
    expect(first.forecast.hours.length).toBeGreaterThan(24);
    expect(quay.clock.now.getTime() - Date.parse(first.forecast.issuedAt)).toBeLessThan(3_600_000);
    const mina = quay.client();
    await mina.send('POST', '/session', MANAGER);
    await mina.send('POST', '/simulators/weatherMast', { mode: 'late' });
    const late = (await hand.send('GET', ask)).json as typeof first;
    expect(quay.clock.now.getTime() - Date.parse(late.forecast.issuedAt)).toBeGreaterThan(8 * 3_600_000);
    await mina.send('POST', '/simulators/weatherMast', { mode: 'silent' });
    expect((await hand.send('GET', ask)).json).toEqual({ is: 'silent' });
    expect((await hand.send('GET', '/bases/nowhere/forecast')).status).toBe(404);
    const { json } = await hand.send('POST', '/hires/h-1001/links', {});
    const phone = quay.client();
    await phone.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
    expect((await phone.send('GET', '/bases/pell-slip/forecast', undefined, { 'x-quay-renter': 'h-1001' })).status).toBe(404);
  });
});
