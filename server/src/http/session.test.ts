import { HAND, handOn, MANAGER, testQuay, type TestQuay } from '../testing/quay';

let quay: TestQuay;
beforeEach(async () => {
  quay = await testQuay();
});
afterEach(() => quay.stop());

describe('signing in', () => {
  it('lets a manager in with a password, whatever the case of the name', async () => {
    const client = quay.client();
    const answer = await client.signIn({ ...MANAGER, name: ' mina GARROW ' });
    expect(answer.json).toMatchObject({ staff: { name: 'Mina Garrow', role: 'manager' }, device: { enrolled: false } });
    expect((await client.send('GET', '/session')).status).toBe(200);
    expect(answer.headers.getSetCookie().every((line) => line.includes('HttpOnly') && line.includes('SameSite=Strict'))).toBe(true);
  });

  it('says the same for a wrong name as for a wrong secret', async () => {
    const client = quay.client();
    const [name, secret] = [await client.signIn({ name: 'Nobody', secret: '123456' }), await client.signIn({ ...MANAGER, secret: 'no' })];
    expect(name.json).toEqual(secret.json);
    expect(name.status).toBe(401);
  });

  it('takes a hand’s PIN only on an enrolled phone, and not on a withdrawn one', async () => {
    expect((await quay.client().signIn(HAND)).json.code).toBe('notEnrolled');
    const phone = await handOn(quay);
    const { json } = await phone.send('GET', '/session');
    const manager = quay.client();
    await manager.signIn(MANAGER);
    expect((await manager.send('DELETE', `/devices/${(json.device as { id: string }).id}`)).status).toBe(200);
    expect((await phone.send('GET', '/session')).status).toBe(401);
    expect((await phone.signIn(HAND)).json.code).toBe('notEnrolled');
  });

  it('enrols once per code, within ten minutes', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const { json } = await manager.send('POST', '/enrolments', {});
    expect((await quay.client().send('POST', '/devices', { code: json.code, name: 'A' })).status).toBe(200);
    expect((await quay.client().send('POST', '/devices', { code: json.code, name: 'B' })).status).toBe(401);
    const late = await manager.send('POST', '/enrolments', {});
    quay.clock.now = new Date(quay.clock.now.getTime() + 11 * 60_000);
    expect((await quay.client().send('POST', '/devices', { code: late.json.code, name: 'C' })).status).toBe(401);
  });

  it('slows down after misses, in the database, and lets the right one in after the wait', async () => {
    const client = quay.client();
    for (let i = 0; i < 3; i += 1) expect((await client.signIn({ ...MANAGER, secret: `wrong ${i}` })).status).toBe(401);
    const slowed = await client.signIn(MANAGER);
    expect(slowed.status).toBe(429);
    expect(Number(slowed.headers.get('retry-after'))).toBeGreaterThan(0);
    quay.clock.now = new Date(quay.clock.now.getTime() + 60_000);
    expect((await client.signIn(MANAGER)).status).toBe(200);
  });

  it('ends with signing out and after its hours', async () => {
    const client = quay.client();
    await client.signIn(MANAGER);
    const kept = new Map(client.cookies);
    await client.send('DELETE', '/session');
    client.cookies = kept;
    expect((await client.send('GET', '/session')).status).toBe(401);
    await client.signIn(MANAGER);
    quay.clock.now = new Date(quay.clock.now.getTime() + 15 * 3_600_000);
    expect((await client.send('GET', '/session')).status).toBe(401);
  });
});
