import { briefingOf } from '@quay/core/briefing/ofHire';
import { project } from '@quay/core/record/project';
import { digestOf } from '@quay/core/events/canonical';
import type { EventBody } from '@quay/core/record/event';
import type { HirePack } from '@quay/contract/hire';
import { type Client, eventOf, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

const HIRE = 'h-1014';
const SHEET = {
  salt: '3'.repeat(32),
  party: { people: [{ id: 'a', name: 'Dot', age: 52, massKg: 68, swims: 'well' as const, drives: true }] },
};

let quay: TestQuay;
let hand: Client;

const setUp = async (simulated = true) => {
  quay = await testQuay({ simulated });
  hand = await handOn(quay);
};
afterEach(() => quay.stop());

/** Dot's phone, and what she adds to the record with it. */
const dot = async () => {
  const { json } = await hand.send('POST', `/hires/${HIRE}/links`, {});
  const phone = quay.client();
  const opened = await phone.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
  const device = (opened.json.device as { id: string }).id;
  const send = (method: string, path: string, body?: unknown) => phone.send(method, path, body, { 'x-quay-renter': HIRE });
  const add = async (...bodies: EventBody[]) => {
    const events = bodies.map((body) => eventOf(HIRE, device, body));
    const { json: taken } = await send('POST', `/hires/${HIRE}/events`, { sentAt: quay.clock.now.toISOString(), events });
    expect(taken.refused).toEqual([]);
  };
  const key = () => send('POST', `/hires/${HIRE}/key`, {});
  return { send, add, key };
};
type Dot = Awaited<ReturnType<typeof dot>>;

const musts = async ({ send }: Dot) => {
  const pack = (await send('GET', `/hires/${HIRE}`)).json as unknown as HirePack;
  const { toBrief } = briefingOf(project([]), { ...pack, sheets: [SHEET] });
  return toBrief.filter(({ point }) => point.weight === 'must').map(({ point }) => point.id);
};
const nameParty = async ({ send, add }: Dot) => {
  await send('POST', `/hires/${HIRE}/sheets`, { sheet: SHEET });
  await add({ kind: 'partySet', sheet: digestOf(SHEET), people: 1, children: 0 });
};
const readAll = async (who: Dot) =>
  who.add(...(await musts(who)).map((point): EventBody => ({ kind: 'pointRead', point, how: 'read', language: 'en' })));
const hourComes = async () => {
  const { from } = (await quay.store.db('hire').where({ id: HIRE }).first('from')) as { from: string };
  quay.clock.now = new Date(Date.parse(from) - 29 * 60_000);
};
const eventsOf = async (who: Dot) =>
  ((await who.send('GET', `/hires/${HIRE}/events`)).json.events as { event: { body: EventBody }; actor: { role: string } }[]).filter(
    ({ event }) => event.body.kind === 'keyGiven',
  );

describe('the key of a boat that is handed over without staff', () => {
  it('is given out step by step: party, briefing, hour; and the record says once that it was', async () => {
    await setUp();
    const who = await dot();
    expect((await who.key()).json).toEqual({ is: 'partyFirst' });
    await nameParty(who);
    const left = (await musts(who)).length;
    expect(left).toBeGreaterThan(3);
    expect((await who.key()).json).toEqual({ is: 'briefFirst', left });
    await readAll(who);
    const early = (await who.key()).json;
    expect(early.is).toBe('tooEarly');
    expect(await eventsOf(who)).toEqual([]);
    await hourComes();
    const open = await who.key();
    expect(open.json).toMatchObject({ is: 'open', simulated: true });
    expect(open.json.code).toMatch(/^\d{6}$/);
    expect(open.headers.get('cache-control')).toBe('no-store');
    expect((await who.key()).json.code).toBe(open.json.code);
    const given = await eventsOf(who);
    expect(given.map(({ actor }) => actor.role)).toEqual(['quay']);
    // The code itself is in no event.
    expect(JSON.stringify((await who.send('GET', `/hires/${HIRE}/events`)).json)).not.toContain(String(open.json.code));
    // Staff are asked for it on the telephone.
    expect((await hand.send('POST', `/hires/${HIRE}/key`, {})).json.code).toBe(open.json.code);
  });

  it('stays in its safe while somebody holds her, and while she is out with others', async () => {
    await setUp();
    const who = await dot();
    await nameParty(who);
    await readAll(who);
    await hourComes();
    await quay.store.db('hire').where({ id: 'h-1002' }).update({ state: 'out' });
    expect((await who.key()).json).toEqual({ is: 'notBack' });
    await quay.store.db('hire').where({ id: 'h-1002' }).update({ state: 'settling' });
    const device = ((await hand.send('GET', '/session')).json.device as { id: string }).id;
    await hand.send('POST', `/hires/${HIRE}/events`, {
      sentAt: quay.clock.now.toISOString(),
      events: [eventOf(HIRE, device, { kind: 'boatHeld', why: 'Fog on the lake' })],
    });
    expect((await who.key()).json).toEqual({ is: 'boatHeld' });
  });

  it('is not there when the safe is silent; a manager lets it fail and work again, a hand cannot', async () => {
    await setUp();
    const who = await dot();
    await nameParty(who);
    await readAll(who);
    await hourComes();
    const mina = quay.client();
    await mina.signIn(MANAGER);
    expect((await mina.send('GET', '/simulators')).json).toMatchObject({
      simulators: expect.arrayContaining([{ name: 'keySafe', mode: 'works' }]) as unknown,
    });
    expect((await hand.send('POST', '/simulators/keySafe', { mode: 'silent' })).status).toBe(403);
    expect((await mina.send('POST', '/simulators/weather', { mode: 'silent' })).status).toBe(400);
    expect((await mina.send('POST', '/simulators/keySafe', { mode: 'silent' })).json).toEqual({ name: 'keySafe', mode: 'silent' });
    const silent = await who.key();
    expect([silent.status, silent.json.code]).toEqual([503, 'safeSilent']);
    expect(await eventsOf(who)).toEqual([]);
    await mina.send('POST', '/simulators/keySafe', { mode: 'works' });
    expect((await who.key()).json.is).toBe('open');
  });

  it('outside a demonstration is the code that staff set for the hire; nothing is simulated there', async () => {
    await setUp(false);
    const who = await dot();
    await nameParty(who);
    await readAll(who);
    await hourComes();
    expect((await who.key()).json).toEqual({ is: 'none' });
    expect((await hand.send('PATCH', `/hires/${HIRE}/key`, { code: '12' })).status).toBe(400);
    expect((await hand.send('PATCH', '/hires/h-1001/key', { code: '4711' })).json.code).toBe('attended');
    expect((await who.send('PATCH', `/hires/${HIRE}/key`, { code: '4711' })).status).toBe(403);
    await hand.send('PATCH', `/hires/${HIRE}/key`, { code: '4711' });
    await hand.send('PATCH', `/hires/${HIRE}/key`, { code: '0815' });
    expect((await who.key()).json).toEqual({ is: 'open', code: '0815', simulated: false });
    const mina = quay.client();
    await mina.signIn(MANAGER);
    expect((await mina.send('GET', '/simulators')).json).toEqual({ simulators: [] });
    expect((await mina.send('POST', '/simulators/keySafe', { mode: 'silent' })).status).toBe(404);
  });

  it('a code is not set where the safe makes its own', async () => {
    await setUp();
    expect((await hand.send('PATCH', `/hires/${HIRE}/key`, { code: '4711' })).json.code).toBe('safeMakesItsOwn');
  });
});
