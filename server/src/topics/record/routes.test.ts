import { sealContent } from '@quay/core/record/project';
import { generateKeyPairSync, createHash, sign, verify } from 'node:crypto';
import sharp from 'sharp';
import { digestOf } from '@quay/core/events/canonical';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import { countersignMessage, sealMessage } from '@quay/core/events/seal';
import { HAND, type Client, countOf, eventOf, handOn, MANAGER, testQuay, type TestQuay, naming } from '../../testing/quay';

let quay: TestQuay;
let phone: Client;
let device: string;
let grant: string;
beforeEach(async () => {
  quay = await testQuay();
  phone = await handOn(quay);
  const signedIn = await phone.signIn(HAND);
  device = (signedIn.json.device as { id: string }).id;
  grant = signedIn.json.grant as string;
});
afterEach(() => quay.stop());

const HIRE = 'h-1001';
const append = (events: unknown[], client = phone, headers: Record<string, string> = {}, sentAt = quay.clock.now.toISOString()) =>
  client.send('POST', `/hires/${HIRE}/events`, { sentAt, events }, headers);
const readAll = async (client = phone) =>
  (await client.send('GET', `/hires/${HIRE}/events`)).json as unknown as {
    events: { event: HireEvent; actor: { id: string; role: string }; behindMs: number; receivedAt: string }[];
    cursor: string;
  };

describe('appending events', () => {
  it('takes each once, however often it is delivered, with the actor of the session', async () => {
    const event = eventOf(HIRE, device, countOf(4));
    expect((await append([event, event])).json).toEqual({ synced: [event.id, event.id], refused: [] });
    expect((await append([event])).json).toEqual({ synced: [event.id], refused: [] });
    const { events, cursor } = await readAll();
    expect(events).toMatchObject([{ event, actor: { id: 'bram', role: 'hand' } }]);
    expect((await phone.send('GET', `/hires/${HIRE}/events?after=${cursor}`)).json.events).toEqual([]);
  });

  it('refuses the bad ones by name and takes the others', async () => {
    const good = eventOf(HIRE, device, countOf(4));
    const bad = {
      unknownKind: { ...eventOf(HIRE, device, countOf(1)), body: { kind: 'danced' } },
      doesNotFit: { ...eventOf(HIRE, device, countOf(1)), body: { ...countOf(1), count: -4 } },
      unknownVersion: { ...eventOf(HIRE, device, countOf(1)), v: 99 },
      otherHire: eventOf('h-1002', device, countOf(1)),
      otherDevice: eventOf(HIRE, 'another', countOf(1)),
      mayNot: eventOf(HIRE, device, { kind: 'closed', number: 1, statement: 'a'.repeat(64), covers: [], root: 'a'.repeat(64) }),
    };
    const { json } = await append([...Object.values(bad), good]);
    expect(json.synced).toEqual([good.id]);
    expect((json.refused as { id: string; reason: string }[]).map(({ id, reason }) => [reason, id])).toEqual(
      Object.entries(bad).map(([reason, { id }]) => [reason, id]),
    );
    expect((await append([{ ...good, body: countOf(3) }])).json).toMatchObject({
      synced: [],
      refused: [{ id: good.id, reason: 'sameIdOtherContent' }],
    });
    expect((await readAll()).events).toHaveLength(1);
  });

  it('delivers one person’s entries in their name while another is signed in on the phone, and nobody else’s', async () => {
    await phone.send('DELETE', '/session', {});
    await phone.signIn({ name: 'Tilly Vance', secret: '731905' });
    const event = eventOf(HIRE, device, countOf(4));
    expect((await append([event], phone, { 'x-quay-grant': grant })).json.synced).toEqual([event.id]);
    expect((await readAll()).events[0]?.actor.id).toBe('bram');
    const other = await handOn(quay, { name: 'Osk Hallam', secret: '550271' });
    expect((await append([eventOf(HIRE, device, countOf(1))], other, { 'x-quay-grant': grant })).json.code).toBe('grantEnded');
  });

  it('under a grant takes what its owner made until they left the phone, and never what only a manager says', async () => {
    const shared = await handOn(quay);
    const id = ((await shared.send('GET', '/session')).json.device as { id: string }).id;
    const signedIn = await shared.signIn(MANAGER);
    const theirs = { 'x-quay-grant': signedIn.json.grant as string };
    const minutes = (n: number) => new Date(quay.clock.now.getTime() + n * 60_000);
    const at = (when: Date) => ({ at: when.toISOString() });
    const waive = (when: Date) => eventOf(HIRE, id, { kind: 'lineDecided', line: 'late', state: 'waived' }, at(when));
    const override = (when: Date) =>
      eventOf(HIRE, id, { kind: 'holdOverridden', matter: 'held/x', why: 'looked at' } as EventBody, at(when));
    const dear = (when: Date) =>
      eventOf(HIRE, id, { kind: 'extraNoted', extra: 'e1', what: 'other', amountMinor: 900_000, text: 'dear', photos: [] }, at(when));
    const [held, delivered] = [eventOf(HIRE, id, countOf(4), at(minutes(0))), override(minutes(0))];
    // What reached the quay while the manager was there stays, whoever sends it once more.
    expect((await append([delivered], shared)).json.synced).toEqual([delivered.id]);
    quay.clock.now = minutes(5);
    // A hand takes the phone: the manager has left it, without signing out.
    expect((await shared.signIn(HAND)).status).toBe(200);
    const left = quay.clock.now;
    quay.clock.now = minutes(20);
    const forged = [waive(left), override(left), dear(left), waive(minutes(0)), eventOf(HIRE, id, countOf(5), at(minutes(-5)))];
    const { json } = await append([held, delivered, ...forged], shared, theirs);
    expect(json.synced).toEqual([held.id, delivered.id]);
    expect((json.refused as { id: string; reason: string }[]).map(({ id: one, reason }) => [one, reason])).toEqual(
      forged.map((one) => [one.id, 'makerGone']),
    );
    // What they made themselves goes out as soon as they are there again.
    await shared.signIn(MANAGER);
    expect((await append([forged[1]], shared, theirs)).json.synced).toEqual([forged[1]!.id]);
    expect((await readAll()).events.at(-1)?.actor.role).toBe('manager');
  });

  it('names a boat that cast off although something held her and no manager had let her go', async () => {
    await append([
      eventOf(HIRE, device, { kind: 'walkStarted', walk: 'out' }),
      eventOf(HIRE, device, { kind: 'boatHeld', why: 'The steering is stiff' }),
      eventOf(HIRE, device, { kind: 'castOff' }),
    ]);
    const manager = quay.client();
    await manager.signIn(MANAGER);
    // She needs her drills as well, by this operator's rule; the word of the hand is one of what held her.
    const matters = async () =>
      (await manager.send('GET', '/attention')).json.matters as { key: string; kind: string; hire: string; count: number }[];
    const overridden = async () => (await matters()).find(({ kind, hire }) => kind === 'overridden' && hire === HIRE);
    const seen = (await overridden())!;
    expect(seen.count).toBeGreaterThanOrEqual(1);
    // Seen, it is put aside as it stands, and can be brought back.
    await manager.send('POST', '/attention/aside', { key: seen.key });
    expect(await overridden()).toBeUndefined();
    await manager.send('POST', '/attention/back', { key: seen.key });
    expect(await overridden()).toEqual(seen);
    // When more comes to it, it is another matter than the one that was seen.
    await manager.send('POST', '/attention/aside', { key: seen.key });
    await append([eventOf(HIRE, device, { kind: 'boatHeld', why: 'The rudder is stiff too' }, { at: '2026-06-13T10:39:00.000Z' })]);
    expect((await overridden())?.count).toBe(seen.count + 1);
  });

  it('names what a manager should see: a boat over time, a knock, flares out of date, one boat out twice', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const kinds = async (hire: string | null, boat: string) =>
      ((await manager.send('GET', '/attention')).json.matters as { kind: string; hire: string | null; boat: string }[])
        .filter((one) => one.hire === hire && one.boat === boat)
        .map(({ kind }) => kind);
    expect(await kinds(null, 'slow-custard')).toEqual(['outOfDate']);
    await append([eventOf(HIRE, device, { kind: 'castOff' })]);
    const [knock, bump] = ['Touched the pier', 'And the post'].map((note) =>
      eventOf(HIRE, device, { kind: 'reported', what: 'knock', note, photos: [] }),
    );
    await append([knock!, bump!]);
    expect(await kinds(HIRE, 'tuppenny-bun')).toContain('reported');
    // Each is settled by itself, by the work that it makes.
    const done = (id: string) => eventOf(HIRE, device, { kind: 'workDone', work: `knock/${id}`, photos: [] });
    await append([done(knock!.id)]);
    expect(await kinds(HIRE, 'tuppenny-bun')).toContain('reported');
    await append([done(bump!.id)]);
    expect(await kinds(HIRE, 'tuppenny-bun')).not.toContain('reported');
    // Laid up with everything ticked is nobody's matter; what was left is.
    const laidUp = (left: string[]) => eventOf(HIRE, device, { kind: 'roundDone', round: 'lay-up', done: [], left });
    await append([laidUp([])]);
    expect(await kinds(HIRE, 'tuppenny-bun')).not.toContain('rounds');
    await append([laidUp(['key'])]);
    expect(await kinds(HIRE, 'tuppenny-bun')).toContain('rounds');
    // Her next hire was cast off on a phone without signal.
    const other = eventOf('h-1008', device, { kind: 'castOff' }, { at: '2026-06-13T10:41:00.000Z' });
    await phone.send('POST', '/hires/h-1008/events', { sentAt: quay.clock.now.toISOString(), events: [other] });
    expect(await kinds(HIRE, 'tuppenny-bun')).toContain('twiceOut');
    expect(await kinds('h-1008', 'tuppenny-bun')).toContain('twiceOut');
    expect((await phone.send('GET', '/hires/h-1008')).json.away).toMatchObject({ hire: HIRE });
    await phone.send('POST', '/hires/h-1008/events', {
      sentAt: quay.clock.now.toISOString(),
      events: [{ ...eventOf('h-1008', device, { kind: 'undone' }), replaces: [other.id] }],
    });
    expect(await kinds(HIRE, 'tuppenny-bun')).not.toContain('twiceOut');
    const { to } = (await quay.store.db('hire').where({ id: HIRE }).first('to')) as { to: string };
    quay.clock.now = new Date(Date.parse(to) + 29 * 60_000);
    expect(await kinds(HIRE, 'tuppenny-bun')).not.toContain('overdue');
    quay.clock.now = new Date(Date.parse(to) + 31 * 60_000);
    expect(await kinds(HIRE, 'tuppenny-bun')).toContain('overdue');
  });

  it('keeps how far the phone’s clock was off', async () => {
    await append([eventOf(HIRE, device, countOf(4))], phone, {}, '2026-06-13T09:42:00.000Z');
    expect((await readAll()).events[0]?.behindMs).toBe(3_600_000);
    const manager = quay.client();
    await manager.signIn(MANAGER);
    expect((await manager.send('GET', '/attention')).json.matters).toContainEqual(
      expect.objectContaining({ hire: HIRE, kind: 'wrongClocks', count: 1 }),
    );
  });
});

describe('seals', () => {
  const pair = generateKeyPairSync('ec', { namedCurve: 'prime256v1' });
  const spki = pair.publicKey.export({ type: 'spki', format: 'der' });
  const key = createHash('sha256').update(spki).digest('hex');
  const seal = (events: HireEvent[], root?: string) => {
    const content = sealContent(
      events.map((event): StoredHireEvent => ({ event, actor: { id: 'bram', role: 'hand' } })),
      null,
    );
    const signature = sign('sha256', Buffer.from(sealMessage(HIRE, 'out', root ?? content.root)), {
      key: pair.privateKey,
      dsaEncoding: 'ieee-p1363',
    }).toString('base64');
    return eventOf(HIRE, device, { kind: 'sealed', walk: 'out', ...content, ...(root === undefined ? {} : { root }), signature, key });
  };
  const stateNow = async () =>
    (
      (await phone.send('GET', `/hires/${HIRE}`)).json.seals as {
        state: string;
        root: string;
        signature: string | null;
        receivedAt: string;
      }[]
    )[0];

  it('are countersigned once their events and their key are known', async () => {
    const event = eventOf(HIRE, device, countOf(4));
    const sealed = seal([event]);
    await append([sealed]);
    expect((await stateNow())?.state).toBe('waiting');
    await append([event]);
    expect((await stateNow())?.state).toBe('badSignature');
    expect((await phone.send('POST', '/devices/key', { spki: spki.toString('base64') })).json.fingerprint).toBe(key);
    const done = await stateNow();
    expect(done?.state).toBe('countersigned');
    const message = Buffer.from(countersignMessage(HIRE, 'out', done!.root, done!.receivedAt));
    expect(verify(null, message, quay.key.publicPem, Buffer.from(done!.signature!, 'base64'))).toBe(true);
    expect((await quay.store.db('boat').where({ id: 'tuppenny-bun' }).first('lastSeal')) as unknown).toEqual({ lastSeal: done!.root });
  });

  it('that do not fit their events are not', async () => {
    await phone.send('POST', '/devices/key', { spki: spki.toString('base64') });
    const event = eventOf(HIRE, device, countOf(4));
    await append([event, seal([event], digestOf('something else'))]);
    expect((await stateNow())?.state).toBe('rootDiffers');
  });
});

describe('photographs', () => {
  const send = async (bytes: Buffer, name = createHash('sha256').update(bytes).digest('hex'), size = bytes.length) => {
    await append([naming(HIRE, device, name)]);
    return phone.send('PATCH', `/hires/${HIRE}/photos/${name}?offset=0&size=${size}`, new Uint8Array(bytes));
  };
  const jpeg = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#335' } })
      .jpeg()
      .toBuffer();

  it('go on where they were cut off', async () => {
    const bytes = await jpeg(600, 400);
    const name = createHash('sha256').update(bytes).digest('hex');
    const half = Math.floor(bytes.length / 2);
    await append([naming(HIRE, device, name)]);
    const piece = (from: number, to: number, offset = from) =>
      phone.send('PATCH', `/hires/${HIRE}/photos/${name}?offset=${offset}&size=${bytes.length}`, new Uint8Array(bytes.subarray(from, to)));
    expect((await piece(0, half)).json).toEqual({ bytes: half, complete: false });
    expect((await phone.send('GET', `/hires/${HIRE}/photos/${name}/state`)).json).toEqual({ bytes: half, complete: false });
    // Sent again from the start, it is told where to go on.
    expect((await piece(0, half)).json).toEqual({ bytes: half, complete: false });
    expect((await piece(half, bytes.length)).json).toEqual({ bytes: bytes.length, complete: true });
    expect((await piece(0, half)).json).toEqual({ bytes: bytes.length, complete: true });
    expect((await phone.send('GET', `/hires/${HIRE}/photos/${name}`)).headers.get('content-type')).toBe('image/jpeg');
    // For a walk it is made small, and made once.
    for (let i = 0; i < 2; i += 1) {
      const small = await phone.bytes(`/hires/${HIRE}/photos/${name}?size=small`);
      expect(await sharp(small).metadata()).toMatchObject({ format: 'jpeg', width: 360, height: 240 });
    }
  });

  it('are refused with the reason: no image, too many pixels, HEIC, truncated, too large, not what their name says', async () => {
    const good = await jpeg(900, 700);
    const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(200)]);
    const codes = [
      (await send(Buffer.from('%PDF-1.7 not a picture'))).json.code,
      (await send(await jpeg(8200, 6200))).json.code,
      (await send(heic)).json.code,
      (await send(good.subarray(0, Math.floor(good.length * 0.6)))).json.code,
      (await send(Buffer.alloc(10), 'b'.repeat(64), 26 * 1024 * 1024)).json.code,
      (await send(good, 'c'.repeat(64))).json.code,
    ];
    expect(codes).toEqual(['noImage', 'tooManyPixels', 'heic', 'truncated', 'tooLarge', 'nameDiffers']);
    expect(await quay.store.db('photo')).toEqual([]);
  });
});

describe('what was booked', () => {
  it('tells two people who change the same hire', async () => {
    const manager = quay.client();
    await manager.signIn(MANAGER);
    const change = (version: number, body: Record<string, unknown>) =>
      manager.send('PATCH', `/hires/${HIRE}`, body, { 'if-match': `"${version}"` });
    const first = await change(1, { notes: 'a', party: { adults: 5, children: 1 } });
    expect([first.json, first.headers.get('etag')]).toMatchObject([{ notes: 'a', version: 2, party: { adults: 5, children: 1 } }, '"2"']);
    expect((await change(1, { notes: 'b' })).json).toMatchObject({ status: 412, code: 'changedMeanwhile' });
    expect((await change(2, { to: '2020-01-01T00:00:00.000Z' })).json.code).toBe('beforeStart');
    expect((await change(2, { party: { adults: 0, children: 0 } })).json.code).toBe('doesNotFit');
    expect((await manager.send('PATCH', `/hires/${HIRE}`, { notes: 'c' })).json).toMatchObject({ status: 428, code: 'versionMissing' });
    const seen = await manager.send('GET', `/hires/${HIRE}`);
    expect([seen.headers.get('etag'), (seen.json.hire as { notes: string }).notes]).toEqual(['"2"', 'a']);
  });
});
