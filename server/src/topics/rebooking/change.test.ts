import { currentUnder } from '@quay/core/events/record';
import { pointBriefed } from '@quay/core/briefing/events';
import type { EventBody } from '@quay/core/record/event';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';
import { eventWith } from '../../testing/events';
import { wholeRecord } from '../record/record';

let quay: TestQuay;
let hand: Client;
let mina: Client;
let device: string;
beforeAll(async () => {
  quay = await testQuay({});
  hand = await handOn(quay);
  mina = quay.client();
  await mina.signIn(MANAGER);
  device = ((await hand.send('GET', '/session')).json.device as { id: string }).id;
});
afterAll(() => quay.stop());

const MIDNIGHT = Date.parse('2026-07-20T00:00:00.000Z');
const at = (hours: number) => new Date(MIDNIGHT + hours * 3_600_000).toISOString();
let made = 0;
/** Books a hire of two some hours after a day on which nothing of the demo is booked. */
const booked = async (from: number, to: number, part: Record<string, unknown> = {}) => {
  const id = `h-change-${(made += 1)}`;
  const body = {
    ...{ id, boat: 'tuppenny-bun', from: at(from), to: at(to), renter: 'Orla Pinnock', contact: '+49 151 555 0101', language: 'fr' },
    ...{ handover: 'staffed', party: { adults: 2, children: 0 }, depositMinor: 25_000, notes: '', ...part },
  };
  expect((await hand.send('POST', '/hires', body)).status).toBe(200);
  return id;
};
const change = (by: Client, id: string, version: number, body: Record<string, unknown>) =>
  by.send('PATCH', `/hires/${id}`, body, { 'if-match': `"${version}"` });
const post = (by: Client, way: string, id: string, version: number, body: Record<string, unknown>) =>
  by.send('POST', `/hires/${id}/${way}`, body, { 'if-match': `"${version}"` });
const add = async (id: string, ...bodies: (EventBody | [EventBody, string])[]) => {
  const events = bodies.map((one, i) => {
    const [body, boat] = Array.isArray(one) ? one : [one, undefined];
    const moment = new Date(quay.clock.now.getTime() + i).toISOString();
    return eventWith(id, device, body, moment, boat === undefined ? {} : { boat });
  });
  const { json } = await hand.send('POST', `/hires/${id}/events`, { sentAt: quay.clock.now.toISOString(), events });
  expect(json.refused).toEqual([]);
  quay.clock.now = new Date(quay.clock.now.getTime() + 60_000);
};
const recordOf = async (id: string) => (await wholeRecord(quay.store.db, id)).record;
const bodies = async (id: string) => (await wholeRecord(quay.store.db, id)).stored.map(({ event }) => event.body);
const started: EventBody = { kind: 'walkStarted', walk: 'out' };
const told = (point: string): EventBody => ({ kind: 'pointBriefed', walk: 'out', point, how: 'said', language: 'en' });

describe('a booking', () => {
  it('is changed until she leaves, in everything, and the record says so without names', async () => {
    const id = await booked(1, 3);
    const wishes = { from: at(2), to: at(5), party: { adults: 3, children: 1 }, renter: 'Orla Quist', contact: 'o@example.test' };
    const { status, json } = await change(hand, id, 1, { ...wishes, language: 'de', depositMinor: 30_000, notes: 'pram' });
    expect(status).toBe(200);
    expect(json).toMatchObject({ ...wishes, language: 'de', depositMinor: 30_000, notes: 'pram', version: 2 });
    const [said] = await bodies(id);
    expect(said).toMatchObject({ kind: 'bookingChanged', by: 'bram' });
    const text = JSON.stringify(said);
    expect(text).toContain(`"was":"${at(1)}"`);
    for (const word of ['Quist', 'example.test', 'pram', 'Pinnock']) expect(text).not.toContain(word);
    // The same once more changes nothing, and says nothing.
    expect((await change(hand, id, 2, wishes)).json.version).toBe(2);
    expect(await bodies(id)).toHaveLength(1);
    expect((await change(hand, id, 1, { notes: 'x' })).json.code).toBe('changedMeanwhile');
  });

  it('never takes hours that another has, more people than the plate, or a return before the departure', async () => {
    const [first] = [await booked(30, 32), await booked(34, 36)];
    expect((await change(hand, first, 1, { from: at(33), to: at(35) })).json.code).toBe('boatTaken');
    expect((await change(hand, first, 1, { to: at(33.75) })).json).toMatchObject({ code: 'boatTight', figures: { minutes: 15 } });
    expect((await change(hand, first, 1, { party: { adults: 40, children: 0 } })).json.code).toBe('overPlate');
    expect((await change(hand, first, 1, { to: at(29) })).json.code).toBe('beforeStart');
    expect((await change(hand, first, 1, { from: '2026-06-01T10:00:00.000Z' })).json.code).toBe('longPast');
    expect((await change(hand, first, 1, { from: at(30), to: at(30 + 24 * 70) })).json.code).toBe('doesNotFit');
    expect((await change(hand, first, 1, { boat: 'no-such', why: 'boat' })).json.code).toBe('noSuchBoat');
    expect((await change(hand, 'h-none', 1, { notes: 'x' })).json.code).toBe('noSuchHire');
    expect((await hand.send('GET', `/hires/${first}`)).json.hire).toMatchObject({ from: at(30), to: at(32), version: 1 });
  });

  it('is a manager’s to make longer while she is out, with a reason, and nobody’s to move then', async () => {
    const id = await booked(60, 62);
    await add(id, started, { kind: 'castOff' });
    expect((await change(hand, id, 1, { to: at(63), why: 'renter' })).json.code).toBe('mayNot');
    expect((await change(mina, id, 1, { to: at(63) })).json.code).toBe('whyMissing');
    expect((await change(mina, id, 1, { from: at(61), why: 'renter' })).json.code).toBe('tooLateToChange');
    expect((await change(mina, id, 1, { boat: 'brisk-otter', why: 'boat' })).json.code).toBe('tooLateToChange');
    expect((await change(mina, id, 1, { to: at(63), why: 'renter', note: 'rang at four' })).json.to).toBe(at(63));
    expect((await bodies(id)).at(-1)).toMatchObject({ kind: 'bookingChanged', by: 'mina', why: 'renter', note: 'rang at four' });
    expect((await post(mina, 'cancel', id, 2, { why: 'renter' })).json.code).toBe('tooLateToChange');
    await add(id, { kind: 'cameIn' });
    expect((await change(mina, id, 2, { to: at(64), why: 'renter' })).json.code).toBe('tooLateToChange');
    expect((await change(hand, id, 2, { notes: 'left a hat' })).status).toBe(200);
  });
});

describe('another boat for a hire', () => {
  it('keeps what was told of what is the same, begins the rest anew, and says beforehand what differs', async () => {
    const id = await booked(90, 92);
    await add(id, started, told('lookout-word'), told('bow-gate'), {
      kind: 'counted',
      walk: 'out',
      fitting: 'boat-hook',
      count: 1,
      state: 'fine',
    });
    const preview = (await hand.send('GET', `/hires/${id}/swap?boat=brisk-otter`)).json;
    expect(preview).toMatchObject({ boat: { id: 'brisk-otter' }, behind: 3, told: { stay: 1, again: 1 } });
    expect(preview.differs).toMatchObject({ kind: { then: 'pontoon', now: 'rib' }, people: { then: 10 } });
    expect((await change(hand, id, 1, { boat: 'brisk-otter' })).json.code).toBe('whyMissing');
    expect((await change(hand, id, 1, { boat: 'brisk-otter', why: 'boat' })).json).toMatchObject({ boat: 'brisk-otter', version: 2 });
    const pack = (await hand.send('GET', `/hires/${id}`)).json as { boat: { id: string }; book: { kind: string } };
    expect([pack.boat.id, pack.book.kind]).toEqual(['brisk-otter', 'rib']);
    const record = await recordOf(id);
    const stay = currentUnder(record, ['out', 'point'], pointBriefed).length;
    expect(stay).toBe((preview.told as { stay: number }).stay);
    // A phone that does not know yet goes on with the first boat, by her own book; it is not the second one’s.
    await add(id, [{ kind: 'counted', walk: 'out', fitting: 'anchor', count: 0, state: 'fine' }, 'tuppenny-bun']);
    expect((await recordOf(id)).ofOtherBoat.length).toBeGreaterThan(2);
    expect((await hand.send('GET', '/day')).status).toBe(200);
    const row = await quay.store.db('hire').where({ id }).first('state', 'attention');
    expect(row).toEqual({ state: 'booked', attention: null });
    await add(id, [{ kind: 'castOff' }, 'tuppenny-bun']);
    const { matters } = (await mina.send('GET', '/attention')).json as { matters: { kind: string; hire: string }[] };
    expect(matters.filter(({ hire }) => hire === id).map(({ kind }) => kind)).toEqual(['otherBoat']);
  });

  it('frees the first one’s hours and takes the other’s, or nothing', async () => {
    const id = await booked(120, 124);
    await booked(121, 123, { boat: 'brisk-otter' });
    expect((await change(hand, id, 1, { boat: 'brisk-otter', why: 'boat' })).json.code).toBe('boatTaken');
    expect((await change(hand, id, 1, { boat: 'brisk-otter', why: 'boat', from: at(124), to: at(126) })).status).toBe(200);
    await booked(120, 124);
  });
});

describe('a hire that does not take place', () => {
  it('frees its boat, leaves the lists, and comes back only where she is still free', async () => {
    const id = await booked(150, 154);
    expect((await post(hand, 'cancel', id, 1, { why: 'noShow' })).json.version).toBe(2);
    expect((await bodies(id)).at(-1)).toEqual({ kind: 'hireCancelled', by: 'bram', why: 'noShow' });
    expect((await change(hand, id, 2, { notes: 'x' })).json.code).toBe('hireCancelled');
    expect((await post(hand, 'cancel', id, 2, { why: 'noShow' })).json.code).toBe('hireCancelled');
    const next = await booked(151, 153);
    expect((await post(hand, 'reinstate', id, 2, {})).json.code).toBe('boatTaken');
    expect((await post(hand, 'cancel', next, 1, { why: 'weather', note: 'gale' })).status).toBe(200);
    expect((await post(hand, 'reinstate', id, 2, { note: 'came after all' })).json.version).toBe(3);
    expect((await post(hand, 'reinstate', id, 3, {})).json.code).toBe('notCancelled');
    expect((await quay.store.db('hire').where({ id }).first('state'))?.state).toBe('booked');
    const day = (await hand.send('GET', '/calendar?from=2026-07-26&to=2026-07-27')).json as { hires: { id: string }[] };
    expect(day.hires.map((hire) => hire.id)).toEqual([id]);
  });

  it('cannot be taken back by a phone, and is out where somebody left all the same', async () => {
    const id = await booked(180, 184);
    await post(hand, 'cancel', id, 1, { why: 'renter' });
    const { stored } = await wholeRecord(quay.store.db, id);
    const undo = eventWith(id, device, { kind: 'undone' }, quay.clock.now.toISOString(), { replaces: [stored[0]!.event.id] });
    const sent = await hand.send('POST', `/hires/${id}/events`, { sentAt: quay.clock.now.toISOString(), events: [undo] });
    expect(sent.json.refused).toMatchObject([{ reason: 'mayNot' }]);
    await add(id, started, { kind: 'castOff' });
    const { matters } = (await mina.send('GET', '/attention')).json as { matters: { kind: string; hire: string }[] };
    expect(matters.filter(({ hire }) => hire === id).map(({ kind }) => kind)).toContain('leftCancelled');
    expect((await quay.store.db('hire').where({ id }).first('state'))?.state).toBe('out');
  });
});

describe('a boat out of service', () => {
  it('is not hired meanwhile, names the hires it touches, and is back when somebody says so', async () => {
    const touched = await booked(210, 212, { boat: 'brisk-otter' });
    const body = { id: 'o-1', from: at(208), to: null, why: 'engine' };
    const { json } = await hand.send('POST', '/boats/brisk-otter/out-of-service', body);
    expect(json).toMatchObject({ outOfService: { boat: 'brisk-otter', to: null }, hires: [{ id: touched }] });
    expect((await hand.send('POST', '/boats/brisk-otter/out-of-service', body)).status).toBe(200);
    expect((await hand.send('POST', '/boats/none/out-of-service', { ...body, id: 'o-2' })).json.code).toBe('noSuchBoat');
    const wish = `/bookings/choices?base=pell-slip&from=${at(220)}&to=${at(222)}&people=2`;
    const otter = async () =>
      ((await hand.send('GET', wish)).json.boats as { id: string; is: string; freeFrom: string | null; clashes: unknown[] }[]).find(
        ({ id }) => id === 'brisk-otter',
      );
    expect(await otter()).toMatchObject({ is: 'taken', freeFrom: null, clashes: [{ hire: null, renter: 'engine', to: null }] });
    expect((await hand.send('DELETE', '/out-of-service/o-1')).status).toBe(200);
    expect(await otter()).toMatchObject({ is: 'free' });
  });
});

describe('who is looked for', () => {
  it('is found by name, number however it is written, mail, boat, statement and day', async () => {
    const id = await booked(240, 242, { renter: 'Fenn_ Abernathy%', contact: '+49 (151) 555-0177' });
    const found = async (find: string) =>
      ((await hand.send('GET', `/hires?find=${encodeURIComponent(find)}`)).json.hires as { id: string }[]).map((one) => one.id);
    expect(await found('abernathy')).toContain(id);
    expect(await found('1515550177')).toContain(id);
    expect(await found('151 555-01 77')).toContain(id);
    expect(await found('30.07.2026')).toContain(id);
    expect(await found('tuppenny')).not.toEqual([]);
    // What is a pattern to the database is a sign to whoever types it.
    expect(await found('Fenn_')).toEqual([id]);
    expect(await found('n%')).toEqual([]);
    expect(await found("x' or 1=1 --")).toEqual([]);
    expect((await hand.send('GET', '/hires?find=a')).json.code).toBe('doesNotFit');
    const { renters } = (await hand.send('GET', '/renters?find=abernathy')).json as { renters: { id: string; hires: number }[] };
    expect(renters).toMatchObject([{ hires: 1, language: 'fr' }]);
    // Who comes again is the same person.
    await booked(250, 252, { renter: 'Fenn Abernathy', contact: 'fenn@example.test', person: renters[0]!.id });
    expect((await hand.send('GET', '/renters?find=fenn@example.test')).json.renters).toMatchObject([{ id: renters[0]!.id, hires: 2 }]);
  });
});
