import { loadImport } from '../../import/load';
import { readImport } from '../../import/read';
import { clearTries } from '../../platform/signIn/tries';
import { type Client, countOf, DEMO, drillsKnown, eventOf, HAND, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

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
    expect((await quay.client().signIn(HAND)).json.code).toBe('wrongHere');
    const phone = await handOn(quay);
    const { json } = await phone.send('GET', '/session');
    const manager = quay.client();
    await manager.signIn(MANAGER);
    expect((await manager.send('DELETE', `/devices/${(json.device as { id: string }).id}`)).status).toBe(200);
    expect((await phone.send('GET', '/session')).status).toBe(401);
    expect((await phone.signIn(HAND)).json.code).toBe('wrongHere');
  });

  it('names those who work here to a registered phone, and nobody to any other', async () => {
    const nobody = { registered: false, names: [], setUp: true };
    const desk = quay.client();
    expect((await desk.send('GET', '/session/names')).json).toEqual(nobody);
    await desk.signIn(MANAGER);
    expect((await desk.send('GET', '/session/names')).json).toEqual(nobody);
    const phone = await handOn(quay);
    const named = async () => (await phone.send('GET', '/session/names')).json as { registered: boolean; names: string[] };
    expect((await named()).names).toContain('Bram Oduya');
    await desk.send('DELETE', '/staff/tilly');
    expect((await named()).names).not.toContain('Tilly Vance');
    const { json } = await phone.send('GET', '/session');
    await desk.send('DELETE', `/devices/${(json.device as { id: string }).id}`);
    expect(await named()).toEqual(nobody);
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

  it('counts tries at the same moment as tries like others', async () => {
    const answers = await Promise.all(Array.from({ length: 60 }, (_, i) => quay.client().signIn({ ...MANAGER, secret: `guess ${i}` })));
    expect(answers.filter(({ status }) => status === 401)).toHaveLength(5);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(55);
    const [slowed] = answers.filter(({ status }) => status === 429);
    expect(Number(slowed!.headers.get('retry-after'))).toBeGreaterThan(60);
    // Kept in the database: another program on the same data knows of them.
    expect(await quay.store.db('tries').where('key', 'like', 'stranger:%').first('points')).toEqual({
      points: expect.any(Number) as number,
    });
  });

  it('locks nobody out of their own desk, whatever strangers try with the name or from the address', async () => {
    const desk = quay.client();
    await desk.signIn(MANAGER);
    const phone = await handOn(quay);
    for (let i = 0; i < 45; i += 1) await quay.client().signIn({ name: i % 2 ? MANAGER.name : `nobody ${i}`, secret: `guess ${i}` });
    expect((await quay.client().signIn(MANAGER)).status).toBe(429);
    expect((await quay.client().signIn({ name: 'Somebody else', secret: 'whoever they are' })).status).toBe(429);
    expect((await desk.signIn(MANAGER)).status).toBe(200);
    expect((await phone.signIn(HAND)).status).toBe(200);
    // On their own desk tries are counted too, and forgiven by the right one.
    for (let i = 0; i < 3; i += 1) expect((await desk.signIn({ ...MANAGER, secret: 'mistyped it' })).status).toBe(401);
    expect((await desk.signIn(MANAGER)).status).toBe(200);
    for (let i = 0; i < 6; i += 1) expect((await desk.signIn({ ...MANAGER, secret: 'mistyped it' })).status).toBe(401);
    expect((await desk.signIn(MANAGER)).status).toBe(429);
  });

  it('does not go through everybody’s PIN on one enrolled phone', async () => {
    const phone = await handOn(quay);
    const statuses: number[] = [];
    for (let i = 0; i < 24; i += 1) statuses.push((await phone.signIn({ name: `hand ${i % 6}`, secret: `00000${i % 10}` })).status);
    expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(18);
    expect(statuses.at(-1)).toBe(429);
  });

  it('tells nobody whether a PIN is right on a phone that is not enrolled, and counts the asking', async () => {
    const stranger = quay.client();
    const right = await stranger.signIn(HAND);
    const wrong = await quay.client().signIn({ ...HAND, secret: '000000' });
    expect([right.status, right.json]).toEqual([401, wrong.json]);
    for (let i = 0; i < 3; i += 1) await quay.client().signIn(HAND);
    expect((await quay.client().signIn(HAND)).status).toBe(429);
  });

  it('a good code or link is never held up by the misses of others behind the same address', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const { json } = await manager.send('POST', '/enrolments', {});
    const link = await manager.send('POST', '/hires/h-1001/links', {});
    const misses = [];
    for (let i = 0; i < 12; i += 1) misses.push((await quay.client().send('POST', '/devices', { code: `NO CODE ${i}`, name: 'x' })).status);
    expect([misses[0], misses.at(-1)]).toEqual([401, 429]);
    expect((await quay.client().send('POST', '/devices', { code: json.code, name: 'Phone' })).status).toBe(200);
    expect((await quay.client().send('POST', '/renter/session', { token: (link.json.url as string).split('#')[1] })).status).toBe(200);
  });

  it('forgets tries that nobody has to wait for any more', async () => {
    await quay.client().signIn({ ...MANAGER, secret: 'wrong' });
    expect(await clearTries(quay.store.db)).toBe(0);
    const later = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 16 * 60_000);
    expect(await clearTries(quay.store.db)).toBe(2);
    later.mockRestore();
    expect(await quay.store.db('tries')).toEqual([]);
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

describe('who works here', () => {
  const staffOf = async (client: Client) =>
    (await client.send('GET', '/staff')).json.staff as { id: string; name: string; withdrawnAt: string | null }[];
  let manager: Client;
  beforeEach(async () => {
    manager = quay.client();
    await manager.signIn(MANAGER);
  });

  it('is withdrawn by a manager: sessions and grants end, and signing in does too, until taken back', async () => {
    const phone = await handOn(quay);
    const { grant } = (await phone.signIn(HAND)).json as { grant: string };
    const device = ((await phone.send('GET', '/session')).json.device as { id: string }).id;
    expect((await manager.send('DELETE', '/staff/bram')).json).toEqual({ ok: true });
    expect((await staffOf(manager)).find(({ id }) => id === 'bram')?.withdrawnAt).toBe(quay.clock.now.toISOString());
    expect((await phone.send('GET', '/session')).status).toBe(401);
    expect((await phone.signIn(HAND)).status).toBe(401);
    await phone.signIn({ name: 'Tilly Vance', secret: '731905' });
    const sent = { sentAt: quay.clock.now.toISOString(), events: [eventOf('h-1001', device, countOf(4))] };
    expect((await phone.send('POST', '/hires/h-1001/events', sent, { 'x-quay-grant': grant })).json.code).toBe('grantEnded');
    expect((await manager.send('DELETE', '/staff/bram')).status).toBe(404);
    expect((await manager.send('POST', '/staff/bram/back', {})).json).toEqual({ ok: true });
    expect((await phone.signIn(HAND)).status).toBe(200);
  });

  it('does not withdraw themselves, so that somebody is always left', async () => {
    const own = (await staffOf(manager)).find(({ name }) => name === MANAGER.name)!;
    expect((await manager.send('DELETE', `/staff/${own.id}`)).json.code).toBe('oneself');
  });

  it('with a new PIN or password has to sign in anew everywhere, but where it was changed', async () => {
    const phone = await handOn(quay);
    expect((await manager.send('POST', '/staff/bram/secret', { secret: '12345' })).json.code).toBe('weakPin');
    expect((await manager.send('POST', '/staff/bram/secret', { secret: '951951' })).json).toEqual({ ok: true });
    expect((await phone.send('GET', '/session')).status).toBe(401);
    expect((await phone.signIn(HAND)).status).toBe(401);
    expect((await phone.signIn({ ...HAND, secret: '951951' })).status).toBe(200);
    const elsewhere = quay.client();
    await elsewhere.signIn(MANAGER);
    const own = (await staffOf(manager)).find(({ name }) => name === MANAGER.name)!;
    expect((await manager.send('POST', `/staff/${own.id}/secret`, { secret: 'another lamp on the pier' })).status).toBe(200);
    expect((await elsewhere.send('GET', '/session')).status).toBe(401);
    expect((await manager.send('GET', '/session')).status).toBe(200);
  });

  it('changed by an import as well; the same file again ends nothing', async () => {
    const phone = await handOn(quay);
    const read = readImport(DEMO, quay.clock.now.toISOString(), drillsKnown);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    await loadImport(quay.store.db, read.data);
    expect((await phone.send('GET', '/session')).status).toBe(200);
    const staff = read.data.staff.map((one) => (one.id === 'bram' ? { ...one, secret: '951951' } : one));
    await loadImport(quay.store.db, { ...read.data, staff });
    expect((await phone.send('GET', '/session')).status).toBe(401);
  });
});

describe('who somebody is', () => {
  type Person = { id: string; name: string; role: string; version: number; languages: string[]; bases: string[] };
  const people = async (client: Client) => (await client.send('GET', '/staff')).json.staff as Person[];
  const change = async (client: Client, id: string, body: object, version?: number) =>
    client.send('PATCH', `/staff/${id}`, body, {
      'if-match': `"${version ?? (await people(client)).find((one) => one.id === id)?.version ?? 1}"`,
    });

  it('is changed by a manager: name, languages and where they work, which is what they are shown first', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const phone = await handOn(quay, HAND);
    const base = async () => ((await phone.send('GET', '/day')).json.base as { id: string }).id;
    expect(await base()).toBe('ossel-quay');
    const bram = { name: 'Bram Oduya-Lund', role: 'hand', languages: ['en', 'fr'], bases: ['pell-slip'] };
    expect((await change(manager, 'bram', bram)).status).toBe(200);
    expect(await base()).toBe('pell-slip');
    expect((await people(manager)).find(({ id }) => id === 'bram')).toMatchObject({ ...bram, version: 2 });
    expect((await change(manager, 'bram', bram, 1)).json.code).toBe('changedMeanwhile');
    const names = async (query: string) => (await phone.send('GET', `/staff/speaking?${query}`)).json.names;
    expect(await names('base=pell-slip&language=fr')).toEqual(['Bram Oduya-Lund', 'Mina Garrow']);
    expect(await names('base=ossel-quay&language=fr')).toEqual(['Mina Garrow']);
    expect((await change(manager, 'bram', { ...bram, name: 'tilly vance' })).json.code).toBe('nameTaken');
    expect((await change(manager, 'nobody', bram)).json.code).toBe('noSuchStaff');
    expect((await phone.send('PATCH', '/staff/bram', bram, { 'if-match': '"2"' })).json.code).toBe('mayNot');
  });

  it('becomes a manager with a password, and signs in anew; nobody makes themselves less', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const phone = await handOn(quay, HAND);
    const bram = { name: 'Bram Oduya', role: 'manager' };
    expect((await change(manager, 'bram', bram)).json.code).toBe('weakPassword');
    expect((await change(manager, 'bram', { ...bram, secret: '123456' })).json.code).toBe('weakPassword');
    expect((await change(manager, 'bram', { ...bram, secret: 'a much longer word' })).status).toBe(200);
    expect((await phone.send('GET', '/session')).status).toBe(401);
    const desk = quay.client();
    expect((await desk.signIn({ name: 'Bram Oduya', secret: 'a much longer word' })).json).toMatchObject({ staff: { role: 'manager' } });
    expect((await change(desk, 'bram', { name: 'Bram Oduya', role: 'hand', secret: '204618' })).json.code).toBe('oneself');
    expect((await change(desk, 'mina', { name: 'Mina Garrow', role: 'hand', secret: '204619' })).status).toBe(200);
  });
});
