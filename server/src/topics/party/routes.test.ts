import sharp from 'sharp';
import { digestOf, nameOfBytes } from '@quay/core/events/canonical';
import { type Client, eventOf, handOn, MANAGER, naming, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let hand: Client;
beforeEach(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
});
afterEach(() => quay.stop());

const linkTo = async (hire: string): Promise<string> => {
  const { json } = await hand.send('POST', `/hires/${hire}/links`, {});
  return (json.url as string).split('#')[1]!;
};
const deviceOfHand = async () => ((await hand.send('GET', '/session')).json.device as { id: string }).id;
const opened = async (hire: string) => {
  const phone = quay.client();
  const { status, json } = await phone.send('POST', '/renter/session', { token: await linkTo(hire) });
  expect(status).toBe(200);
  const { device } = json as { device: { id: string } };
  const headers = { 'x-quay-renter': hire };
  return {
    phone,
    device: device.id,
    headers,
    send: (method: string, path: string, body?: unknown) => phone.send(method, path, body, headers),
  };
};
const post = async (of: Awaited<ReturnType<typeof opened>>, hire: string, ...events: unknown[]) => {
  const { json } = await of.send('POST', `/hires/${hire}/events`, { sentAt: quay.clock.now.toISOString(), events });
  return json as { synced: string[]; refused: { id: string; reason: string }[] };
};

describe('a renter’s link', () => {
  it('opens its own hire and no other, and gives the same phone the same name again', async () => {
    const { phone, device, send } = await opened('h-1001');
    const pack = await send('GET', '/hires/h-1001');
    expect(pack.json.hire).toMatchObject({ id: 'h-1001', renter: 'Ines Okonjo-Lind', notes: '' });
    expect((await send('GET', '/hires/h-1002')).status).toBe(404);
    const again = await phone.send('POST', '/renter/session', { token: await linkTo('h-1001') });
    expect((again.json.device as { id: string }).id).toBe(device);
    // A second hire's link on the same phone has a cookie of its own; the first one goes on.
    await phone.send('POST', '/renter/session', { token: await linkTo('h-1002') });
    expect((await send('GET', '/hires/h-1001')).status).toBe(200);
    expect((await phone.send('GET', '/hires/h-1001', undefined, { 'x-quay-renter': 'h-1002' })).status).toBe(404);
  });

  it('that is wrong, old or withdrawn says one and the same thing, and guessing slows down', async () => {
    const old = await linkTo('h-1002');
    const withdrawn = await linkTo('h-1001');
    const { send } = await opened('h-1001');
    expect((await hand.send('DELETE', '/hires/h-1001/links')).json).toEqual({ withdrawn: 2 });
    expect((await send('GET', '/hires/h-1001')).json.code).toBe('linkEnded');
    expect((await hand.send('GET', '/hires/h-1001/links')).json).toEqual({ links: [] });
    quay.clock.now = new Date('2026-08-13T10:42:00.000Z');
    const answers = [];
    for (const token of [old, withdrawn, 'A'.repeat(22)]) {
      const { status, json } = await quay.client().send('POST', '/renter/session', { token });
      answers.push(JSON.stringify([status, json]));
    }
    expect(new Set(answers).size).toBe(1);
    expect(answers[0]).toContain('noSuchLink');
    for (let i = 0; i < 9; i += 1) await quay.client().send('POST', '/renter/session', { token: `${i}` });
    const slowed = await quay.client().send('POST', '/renter/session', { token: 'x' });
    expect([slowed.status, Number(slowed.headers.get('retry-after')) > 0]).toEqual([429, true]);
  });

  it('gives photographs without where they were taken, for as long as it is good, and no name of anybody else’s hire', async () => {
    const { send, device } = await opened('h-1001');
    const shot = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#336677' } })
      .withExif({ IFD0: { Make: 'Somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '47/1 59/1 0/1' } })
      .jpeg()
      .toBuffer();
    const sha = nameOfBytes(shot);
    await send('POST', '/hires/h-1001/events', { sentAt: quay.clock.now.toISOString(), events: [naming('h-1001', device, sha)] });
    await hand.send('PATCH', `/hires/h-1001/photos/${sha}?offset=0&size=${shot.length}`, new Uint8Array(shot));
    const [theirs, ours] = [await send('GET', `/hires/h-1001/photos/${sha}`), await hand.send('GET', `/hires/h-1001/photos/${sha}`)];
    expect((await sharp(theirs.bytes).metadata()).exif).toBeUndefined();
    expect((await sharp(ours.bytes).metadata()).exif).toBeDefined();
    expect([theirs.headers.get('cache-control'), ours.headers.get('cache-control')]).toEqual(['no-store', 'private, no-cache']);
    const again = await hand.send('GET', `/hires/h-1001/photos/${sha}`, undefined, { 'if-none-match': ours.headers.get('etag')! });
    expect([again.status, again.bytes.length]).toEqual([304, 0]);
    // The same boat went out before with somebody else.
    const earlier = eventOf('h-1008', await deviceOfHand(), { kind: 'castOff' });
    await hand.send('POST', '/hires/h-1008/events', { sentAt: quay.clock.now.toISOString(), events: [earlier] });
    await quay.store.db('hire').where({ id: 'h-1008' }).update({ from: '2026-06-13T05:00:00.000Z', to: '2026-06-13T06:00:00.000Z' });
    await hand.send('GET', '/day');
    const [pack, full] = [await send('GET', '/hires/h-1001'), await hand.send('GET', '/hires/h-1001')];
    expect(full.json.before).toMatchObject({ hire: 'h-1008' });
    expect(pack.json.before).toMatchObject({ hire: null, pictures: {} });
    expect(JSON.stringify(pack.json)).not.toContain('h-1008');
  });

  it('is kept nowhere but in its hash', async () => {
    const token = await linkTo('h-1001');
    const rows = JSON.stringify(await quay.store.db('renterLink'));
    expect(rows).toContain('h-1001');
    expect(rows).not.toContain(token);
  });
});

describe('what a renter enters', () => {
  const people = [
    { id: 'a', name: 'Ines', age: 36, massKg: 64, swims: 'well' as const, drives: true },
    { id: 'b', name: 'Mo', age: 7, size: 'child' as const, swims: 'weakly' as const },
  ];
  const sheet = { salt: 'a'.repeat(32), party: { people } };

  it('the party is a sheet beside the record, whose digest the record names', async () => {
    const renter = await opened('h-1001');
    const { json } = await renter.send('POST', '/hires/h-1001/sheets', { sheet });
    expect(json.sha).toBe(digestOf(sheet));
    const event = eventOf('h-1001', renter.device, { kind: 'partySet', sheet: digestOf(sheet), people: 2, children: 1 });
    expect(await post(renter, 'h-1001', event)).toEqual({ synced: [event.id], refused: [] });
    const pack = await hand.send('GET', '/hires/h-1001');
    expect(pack.json.sheets).toEqual([sheet]);
    expect((await quay.store.db('event').where({ id: event.id }).first('content', 'role')) as object).toMatchObject({ role: 'renter' });
    // The record itself holds no name.
    expect(JSON.stringify(await quay.store.db('event'))).not.toContain('Ines');
  });

  it('ages and masses out of range are refused with the field', async () => {
    const renter = await opened('h-1001');
    const wrong = { salt: 'a'.repeat(32), party: { people: [{ ...people[0], age: 130 }] } };
    const answer = await renter.send('POST', '/hires/h-1001/sheets', { sheet: wrong });
    expect([answer.status, answer.json.figures]).toEqual([
      400,
      expect.objectContaining({ where: expect.stringContaining('people.0.age') as string }),
    ]);
  });

  it('a walk is the renter’s only where they walk alone, and staff’s entries are not theirs to replace', async () => {
    const counted = { kind: 'counted', walk: 'out', fitting: 'ring', count: 1, state: 'fine' } as const;
    const staffed = await opened('h-1001');
    const refused = eventOf('h-1001', staffed.device, counted);
    expect((await post(staffed, 'h-1001', refused)).refused).toMatchObject([{ id: refused.id, reason: 'mayNot' }]);
    const alone = await opened('h-1014');
    const taken = eventOf('h-1014', alone.device, counted);
    expect((await post(alone, 'h-1014', taken)).synced).toEqual([taken.id]);
    const { json } = await hand.send('GET', '/session');
    const device = (json.device as { id: string }).id;
    const hands = eventOf('h-1014', device, { ...counted, fitting: 'paddle' });
    await hand.send('POST', '/hires/h-1014/events', { sentAt: quay.clock.now.toISOString(), events: [hands] });
    const undo = eventOf('h-1014', alone.device, { kind: 'undone' }, { replaces: [hands.id] });
    expect((await post(alone, 'h-1014', undo)).refused).toMatchObject([{ id: undo.id, reason: 'mayNot' }]);
  });

  it('more people than the plate hold her back', async () => {
    const renter = await opened('h-1002');
    const crowd = {
      salt: 'b'.repeat(32),
      party: { people: Array.from({ length: 7 }, (_, i) => ({ id: `p${i}`, name: '', age: 30, massKg: 50, swims: 'well' as const })) },
    };
    await renter.send('POST', '/hires/h-1002/sheets', { sheet: crowd });
    await post(renter, 'h-1002', eventOf('h-1002', renter.device, { kind: 'partySet', sheet: digestOf(crowd), people: 7, children: 0 }));
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const { json } = await manager.send('GET', '/day?base=ossel-quay');
    const row = (json.hires as { id: string; hold: string | null }[]).find(({ id }) => id === 'h-1002');
    expect(JSON.parse(row?.hold ?? 'null')).toEqual({ is: 'tooMany', overload: { is: 'heads', have: 7, may: 6 } });
  });
});

describe('a returning renter', () => {
  it('is known by how they are reached, and what they were told counts where it says the same', async () => {
    const { json } = await hand.send('GET', '/session');
    const device = (json.device as { id: string }).id;
    await quay.store.db('person').where({ id: 'renter-h-1008' }).update({ contact: 'ines@example.test' });
    const told = eventOf('h-1001', device, { kind: 'pointBriefed', walk: 'out', point: 'bow-rails', how: 'said', language: 'en' });
    await hand.send('POST', '/hires/h-1001/events', { sentAt: quay.clock.now.toISOString(), events: [told] });
    const pack = await hand.send('GET', '/hires/h-1008');
    expect(pack.json.briefedBefore).toEqual({ 'bow-rails': expect.stringMatching(/^2026-06-13T10:40/) as string });
    // Somebody else's telling is nobody's here.
    expect((await hand.send('GET', '/hires/h-1002')).json.briefedBefore).toEqual({});
  });
});
