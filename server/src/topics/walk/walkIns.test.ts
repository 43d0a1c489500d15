import type { AttentionMatter } from '@quay/contract/attention';
import { BoatPack, type WalkIns } from '@quay/contract/walkIn';
import * as z from 'zod/mini';
import { type Client, countOf, eventOf, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

/** Hires that a phone booked where there was no signal. */

let quay: TestQuay;
let hand: Client;
let manager: Client;
let device: string;
beforeAll(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
  device = ((await hand.send('GET', '/session')).json.device as { id: string }).id;
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterAll(() => quay.stop());

const at = (hours: number) => new Date(quay.clock.now.getTime() + hours * 3_600_000).toISOString();
let made = 0;
const hireOf = (part: Record<string, unknown> = {}) => ({
  id: `h-walk-in-${(made += 1)}`,
  boat: 'tuppenny-bun',
  from: at(0.1),
  to: at(2),
  renter: 'Orla Pinnock',
  contact: '',
  language: 'en',
  handover: 'staffed',
  party: { adults: 2, children: 0 },
  depositMinor: 10_000,
  notes: '',
  offline: { madeAt: at(0), salt: 'c'.repeat(32), priceVersion: 1 },
  ...part,
});
const book = (hire: Record<string, unknown>) => hand.send('POST', '/hires', hire);
const clashes = async () =>
  ((await manager.send('GET', '/attention')).json as { matters: AttentionMatter[] }).matters.filter(({ kind }) => kind === 'clash');

describe('what a phone brings along', () => {
  it('is the boats of the base, what is booked of them, and a whole pack of each but the hire', async () => {
    const found = (await hand.send('GET', '/walk-ins?base=ossel-quay')).json as unknown as WalkIns;
    expect(found.boats.length).toBeGreaterThan(1);
    expect(found.booked.some(({ boat }) => boat === 'tuppenny-bun')).toBe(true);
    const { json } = await hand.send('GET', '/boats/tuppenny-bun/pack');
    expect(z.parse(BoatPack, json)).toMatchObject({ boat: { id: 'tuppenny-bun' }, base: { id: 'ossel-quay' }, priceVersion: 1 });
    expect((await hand.send('GET', '/boats/ghost/pack')).json.code).toBe('noSuchBoat');
  });

  it('is marked anew when it is no longer what the quay has', async () => {
    const mark = async () =>
      ((await hand.send('GET', '/walk-ins?base=ossel-quay')).json as unknown as WalkIns).boats.find(({ id }) => id === 'quiet-pickle')!
        .mark;
    const before = await mark();
    expect(await mark()).toBe(before);
    await quay.store
      .db('boat')
      .where({ id: 'quiet-pickle' })
      .update({ lastSeal: 'd'.repeat(64) });
    expect(await mark()).not.toBe(before);
  });
});

describe('a hire booked without signal', () => {
  it('is taken once, under the salt and prices it was signed with, however often it is sent and whatever was changed since', async () => {
    const hire = hireOf({ boat: 'quiet-pickle', from: at(200), to: at(202) });
    expect((await book(hire)).status).toBe(200);
    const row = (await quay.store.db('hire').join('person', 'person.id', 'hire.renter').where('hire.id', hire.id).first('*'))!;
    expect(row).toMatchObject({ salt: 'c'.repeat(32), priceVersion: 1, clashed: 0 });
    expect((await manager.send('PATCH', `/hires/${hire.id}`, { notes: 'wants a map' }, { 'if-match': '"1"' })).status).toBe(200);
    expect((await book(hire)).json).toMatchObject({ id: hire.id, renter: 'Orla Pinnock' });
    expect((await book({ ...hire, offline: { ...hire.offline, salt: 'e'.repeat(32) }, renter: 'Somebody Else' })).json.code).toBe(
      'changedMeanwhile',
    );
  });

  it('is taken in somebody else’s time as well; a manager is told, by whom and since when, until one of the two has moved', async () => {
    const first = hireOf({ offline: undefined, from: at(100), to: at(104), renter: 'Fenno Straker' });
    expect((await book(first)).status).toBe(200);
    const second = hireOf({ from: at(102), to: at(106) });
    expect((await book({ ...second, offline: undefined })).json.code).toBe('boatTaken');
    expect((await book(second)).status).toBe(200);
    // What was entered of it on the phone is taken like anybody's.
    expect(
      (await hand.send('POST', `/hires/${second.id}/events`, { sentAt: at(0), events: [eventOf(second.id, device, countOf(4))] })).json,
    ).toMatchObject({ refused: [] });
    expect(await clashes()).toMatchObject([{ hire: second.id, at: first.from, count: 1, thing: { en: 'Fenno Straker' } }]);
    // Nobody is booked over the two of them.
    expect((await book(hireOf({ offline: undefined, from: at(105), to: at(107) }))).json.code).toBe('boatTaken');
    const version = (await quay.store.db('hire').where({ id: first.id }).first('version'))!.version;
    const moved = await manager.send('POST', `/hires/${first.id}/cancel`, { why: 'other' }, { 'if-match': `"${version}"` });
    expect(moved.status).toBe(200);
    expect(await clashes()).toEqual([]);
  });

  it('is taken in the time of a boat out of service, and is no matter once it is settled', async () => {
    await hand.send('POST', '/boats/tuppenny-bun/out-of-service', { id: 'away-1', from: at(300), to: at(310), why: 'gearbox' });
    const hire = hireOf({ from: at(301), to: at(303) });
    expect((await book(hire)).status).toBe(200);
    expect(await clashes()).toMatchObject([{ hire: hire.id, thing: { en: 'gearbox' } }]);
    await quay.store.db('hire').where({ id: hire.id }).update({ state: 'settling' });
    expect(await clashes()).toEqual([]);
  });

  it('is refused where nothing could be made of it', async () => {
    expect((await book(hireOf({ boat: 'ghost' }))).json.code).toBe('noSuchBoat');
    for (const offline of [
      { madeAt: 'yesterday', salt: 'c'.repeat(32), priceVersion: 1 },
      { madeAt: at(0), salt: 'short', priceVersion: 1 },
    ])
      expect((await book(hireOf({ offline }))).status).toBe(400);
  });
});
