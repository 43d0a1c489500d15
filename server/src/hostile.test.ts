import { createHash } from 'node:crypto';
import { canonical } from '@quay/core/events/canonical';
import { type Client, countOf, eventOf, handOn, MANAGER, testQuay, type TestQuay } from './testing/quay';
import { appendEvents } from './topics/record/delivery';
import { hostileEvents } from './testing/hostile';
import { fire, reads, type Sender } from './testing/underFire';

let quay: TestQuay;
let hand: Client;
let manager: Client;
beforeEach(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterEach(() => quay.stop());

const meOf = async (client: Client) => ((await client.send('GET', '/session')).json.device as { id: string }).id;
const renterOf = async (hire: string): Promise<Sender> => {
  const { json } = await hand.send('POST', `/hires/${hire}/links`, {});
  const client = quay.client();
  const opened = await client.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
  return { client, hire, device: (opened.json.device as { id: string }).id, headers: { 'x-quay-renter': hire } };
};
const boatOf = async (hire: string) => ((await quay.store.db('hire').where({ id: hire }).first('boat')) as { boat: string }).boat;
const send = (client: Client, hire: string, events: unknown[], headers: Record<string, string> = {}) =>
  client.send('POST', `/hires/${hire}/events`, { sentAt: quay.clock.now.toISOString(), events }, headers);

/** Reads everything there is to be read about some hires. @returns what was answered with a fault of ours */
const faultsOf = async (hires: readonly string[], renter?: Sender): Promise<string[]> => {
  const faults: string[] = [];
  const look = async (client: Client, role: 'hand' | 'manager' | 'renter', hire: string, headers: Record<string, string> = {}) => {
    for (const { name, path } of reads(role, hire, await boatOf(hire))) {
      const { status } = await client.send('GET', path, undefined, headers);
      if (status >= 500 && status !== 503) faults.push(`${name} of ${hire} to a ${role}: ${status}`);
    }
  };
  for (const hire of hires) {
    await look(hand, 'hand', hire);
    await look(manager, 'manager', hire);
  }
  if (renter) await look(renter.client, 'renter', renter.hire, renter.headers);
  return faults;
};

/** An event as an older version might have taken it in: it is in the table, whatever it says. */
const slipIn = async (hire: string, event: unknown, id: string) => {
  const content = canonical(event);
  await quay.store.db('event').insert({
    id,
    hire,
    digest: createHash('sha256').update(content).digest('hex'),
    content,
    actor: 'renter-x',
    role: 'renter',
    device: 'x',
    receivedAt: quay.clock.now.toISOString(),
    behindMs: 0,
  });
};

describe('hostile deliveries', () => {
  it('every kind and field, spoilt and edged, from a renter, a hand and a manager: everything goes on answering', async () => {
    const renter = await renterOf('h-1014');
    const sentAt = quay.clock.now.toISOString();
    const shots = [
      await fire(renter, 1400, 1, sentAt),
      await fire({ client: hand, hire: 'h-1001', device: await meOf(hand), headers: {} }, 1800, 2, sentAt),
      await fire({ client: manager, hire: 'h-1011', device: await meOf(manager), headers: {} }, 1800, 3, sentAt),
    ];
    // No batch fails for one of its events, and there is something to read at all.
    for (const { statuses } of shots) expect([...statuses.keys()]).toEqual([200]);
    for (const { taken, refused } of shots) {
      expect(taken).toBeGreaterThan(200);
      expect(refused.get('doesNotFit')).toBeGreaterThan(100);
    }
    // What only the quay says may come from a terminal or an older version: it is read with the same care.
    let [said, inShape] = [0, 0];
    for (const { event } of hostileEvents(1000, 4, { hire: 'h-1013', device: 'quay' })) {
      const taken = await appendEvents(quay.store.db, {
        hire: 'h-1013',
        newestBook: () => 1,
        device: 'quay',
        actor: { id: 'quay', role: 'quay' },
        events: [event],
        behindMs: 0,
        now: sentAt,
      });
      said += taken.synced.length;
      inShape += taken.refused.filter(({ reason }) => reason === 'mayNot').length;
    }
    expect(said).toBeGreaterThan(20);
    expect(inShape).toBeGreaterThan(200);
    expect(await faultsOf(['h-1001', 'h-1011', 'h-1013', 'h-1014', 'h-1002'], renter)).toEqual([]);
    expect(await quay.store.db('hire').whereNotNull('broken').select('id', 'broken')).toEqual([]);
  }, 240_000);

  it('one event too deep, too many names, no number or an unknown word refuses itself and nothing beside it', async () => {
    const device = await meOf(hand);
    const good = eventOf('h-1001', device, countOf(3));
    const named = { ...eventOf('h-1001', device, countOf(3)), replaces: Array.from({ length: 201 }, () => good.id) };
    const odd = { ...eventOf('h-1001', device, countOf(3)), mood: 'glad' };
    const inside = { ...eventOf('h-1001', device, countOf(3)), body: { ...countOf(3), mood: 'glad' } };
    const early = { ...eventOf('h-1001', device, countOf(3)), bookVersion: 77 };
    const thirteenth = { ...eventOf('h-1001', device, { kind: 'castOff' }), at: '2026-13-01T10:00:00.000Z' };
    const texts = [
      ...[good, named, odd, inside, early, thirteenth].map((one) => JSON.stringify(one)),
      `{"id":"deep","extra":${'['.repeat(3000)}${']'.repeat(3000)}}`,
      JSON.stringify({ ...good, id: 'endless' }).replace('"count":3', '"count":1e999'),
    ];
    const { status, json } = await hand.sendText(
      'POST',
      '/hires/h-1001/events',
      `{"sentAt":"${quay.clock.now.toISOString()}","events":[${texts.join(',')}]}`,
    );
    expect([status, json.synced]).toEqual([200, [good.id]]);
    expect((json.refused as { reason: string }[]).map(({ reason }) => reason)).toEqual([
      'doesNotFit',
      'doesNotFit',
      'doesNotFit',
      'doesNotFit',
      'doesNotFit',
      'unknownVersion',
      'doesNotFit',
    ]);
    // A hundred entries that each name two hundred others are more than one question to the database.
    const others = Array.from({ length: 200 }, (_, i) => `0198${String(i).padStart(4, '0')}-0000-7000-8000-000000000000`);
    const many = Array.from({ length: 100 }, (_, n) => ({
      ...eventOf('h-1001', device, { kind: 'undone' }),
      replaces: others.map((one) => one.replace('0000-7000', `${String(n).padStart(4, '0')}-7000`)),
    }));
    expect((await send(hand, 'h-1001', many)).json.synced).toHaveLength(100);
  });

  it('more than a phone may enter in one hire stays on that phone, in plain words; another hire is not touched', async () => {
    const renter = await renterOf('h-1014');
    const undo = () => ({
      ...eventOf('h-1014', renter.device, { kind: 'undone' }),
      replaces: Array.from({ length: 200 }, (_, i) => `0198${String(i).padStart(4, '0')}-0000-7000-8000-000000000000`),
    });
    let refused: { reason: string; detail: string }[] = [];
    for (let i = 0; i < 4 && refused.length === 0; i += 1)
      refused = (await send(renter.client, 'h-1014', Array.from({ length: 100 }, undo), renter.headers)).json.refused as typeof refused;
    expect(refused[0]).toMatchObject({ reason: 'overQuota' });
    expect(refused[0]!.detail).toContain('6000');
    // A second phone opened by the same link has no quota of its own beside it.
    const second = await renterOf('h-1014');
    const late = { ...undo(), device: second.device };
    expect((await send(second.client, 'h-1014', [late], second.headers)).json.refused).toMatchObject([{ reason: 'overQuota' }]);
    const other = await renterOf('h-1001');
    const mine = eventOf('h-1001', other.device, { kind: 'languageChosen', language: 'fr' });
    expect((await send(other.client, 'h-1001', [mine], other.headers)).json.synced).toEqual([mine.id]);
    // Delivering once more what is there already costs nothing.
    expect((await send(other.client, 'h-1001', [mine], other.headers)).json.synced).toEqual([mine.id]);
  });

  it('who sends without end is asked to wait', async () => {
    const renter = await renterOf('h-1001');
    const batch = () => Array.from({ length: 500 }, () => eventOf('h-1001', renter.device, { kind: 'languageChosen', language: 'en' }));
    const statuses: number[] = [];
    for (let i = 0; i < 5; i += 1) statuses.push((await send(renter.client, 'h-1001', batch(), renter.headers)).status);
    expect(statuses).toContain(429);
    expect(statuses[0]).toBe(200);
    // Nobody else waits for it.
    expect((await send(hand, 'h-1001', [eventOf('h-1001', await meOf(hand), countOf(2))])).status).toBe(200);
  });
});

describe('a record that cannot be read', () => {
  // Each is said once to whoever runs the server; here that is meant.
  beforeEach(() => jest.spyOn(console, 'error').mockImplementation(() => undefined));
  afterEach(() => jest.restoreAllMocks());

  const bad = { ...eventOf('h-1002', 'x', { kind: 'cameIn' }), at: '2026-13-40T10:00:00.000Z' };

  it('is one broken hire: the day shows it, everything else answers, and it is told why', async () => {
    await slipIn('h-1002', bad, bad.id);
    const day = await hand.send('GET', '/day?base=ossel-quay');
    expect(day.status).toBe(200);
    const rows = day.json.hires as { id: string; broken: boolean; state: string }[];
    expect(rows.filter(({ broken }) => broken).map(({ id, state }) => [id, state])).toEqual([['h-1002', 'booked']]);
    const { json } = await manager.send('GET', '/attention');
    expect((json.matters as { hire: string; kind: string }[])[0]).toMatchObject({ kind: 'broken', hire: 'h-1002' });
    expect((await manager.send('GET', '/disputes')).status).toBe(200);
    // The same boat's other hire does not mind.
    expect((await hand.send('GET', '/hires/h-1006')).status).toBe(200);
    const pack = await hand.send('GET', '/hires/h-1002');
    expect([pack.status, pack.json.code]).toEqual([409, 'recordBroken']);
    expect(await faultsOf(['h-1002', 'h-1006'])).toEqual([]);
  });

  it('can be read again once a manager has set the entry aside; it is kept, named and can be taken back', async () => {
    const count = eventOf('h-1002', await meOf(hand), countOf(2));
    await send(hand, 'h-1002', [count]);
    await slipIn('h-1002', bad, bad.id);
    await hand.send('GET', '/day');
    const repair = await manager.send('GET', '/hires/h-1002/repair');
    expect(repair.json.suspects).toMatchObject([{ id: bad.id, kind: 'cameIn', at: bad.at }]);
    // Nothing that can be read goes away by this, nor does a hand do it.
    expect((await manager.send('POST', '/hires/h-1002/aside', { event: count.id, why: 'x' })).json.code).toBe('noSuspect');
    expect((await hand.send('POST', '/hires/h-1002/aside', { event: bad.id, why: 'x' })).status).toBe(403);
    expect((await manager.send('POST', '/hires/h-1001/aside', { event: bad.id, why: 'x' })).json.code).toBe('notBroken');

    const done = await manager.send('POST', '/hires/h-1002/aside', { event: bad.id, why: 'a month there is not' });
    expect(done.json).toMatchObject({ broken: null, aside: [{ id: bad.id, why: 'a month there is not', asideBy: 'mina' }] });
    expect((await hand.send('GET', '/hires/h-1002')).status).toBe(200);
    const events = await hand.send('GET', '/hires/h-1002/events');
    expect((events.json.events as unknown[]).length).toBe(2);
    expect(events.json.aside).toEqual([bad.id]);
    // What comes afterwards is taken and read.
    expect((await send(hand, 'h-1002', [eventOf('h-1002', await meOf(hand), countOf(1))])).status).toBe(200);
    expect((await hand.send('GET', '/hires/h-1002')).status).toBe(200);

    expect((await manager.send('DELETE', `/hires/h-1002/aside/${bad.id}`)).json.broken).not.toBeNull();
    expect((await hand.send('GET', '/hires/h-1002')).status).toBe(409);
  });
});
