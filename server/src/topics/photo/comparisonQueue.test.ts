import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import sharp from 'sharp';
import type { Comparison } from '@quay/contract/compare';
import { shownFrom, USUALLY_SHOWN_FROM } from '@quay/core/condition/shownFrom';
import type { FilesCompared } from './compare/compareFiles';
import { ATTEMPTS, LEASE_MS, takeComparison } from './comparison';
import { type Client, eventOf, handOn, MANAGER, testQuay, type TestQuay, naming } from '../../testing/quay';
import { comparedFile, ComparisonQueue } from './comparisonQueue';

const HIRE = 'h-1001';
const SURFACE = 'port-side';
const BYTES = new Uint8Array([1, 2, 3]);
const NOTHING_LEARNT = { shownFrom: USUALLY_SHOWN_FROM, flaws: 0, nothing: 0, forgotten: 0 };
const DONE = {
  comparable: true,
  reason: null,
  inliers: 90,
  boxes: [{ x: 160, y: 120, width: 16, height: 12, strength: 0.8 }],
  fainter: [],
  shares: [{ x: 0.1, y: 0.1, width: 0.01, height: 0.01, strength: 0.8 }],
  pictures: { aligned: BYTES, back: BYTES, heat: BYTES, width: 1600, height: 1200 },
} satisfies FilesCompared;

let quay: TestQuay;
let phone: Client;
let device: string;
beforeEach(async () => {
  quay = await testQuay();
  phone = await handOn(quay);
  device = ((await phone.send('GET', '/session')).json as { device: { id: string } }).device.id;
});
afterEach(async () => {
  await Promise.all(begun.splice(0).map((comparing) => comparing.stop()));
  await quay.stop();
});

/** What a test has begun, so that nothing of it goes on without a quay. */
const begun: ComparisonQueue[] = [];

/** A thread that answers when and as it is told. */
const made = (answer: () => Promise<FilesCompared>) => {
  const asked: string[] = [];
  const comparing = new ComparisonQueue(
    () => quay.store,
    {
      compare: async (task, signal) => {
        asked.push(task.back);
        return Promise.race([
          answer(),
          new Promise<never>((_, reject) => signal?.addEventListener('abort', () => reject(new Error('called off')))),
        ]);
      },
      end: () => Promise.resolve(),
    },
    () => quay.clock.now,
    1,
  );
  begun.push(comparing);
  return { comparing, asked };
};

const photo = async (shade: number): Promise<string> => {
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: { r: shade, g: 80, b: 90 } } })
    .jpeg()
    .toBuffer();
  const sha = createHash('sha256').update(bytes).digest('hex');
  await phone.send('POST', `/hires/${HIRE}/events`, { events: [naming(HIRE, device, sha)], sentAt: quay.clock.now.toISOString() });
  expect(
    (await phone.send('PATCH', `/hires/${HIRE}/photos/${sha}?offset=0&size=${bytes.length}`, new Uint8Array(bytes))).json.complete,
  ).toBe(true);
  return sha;
};
const looked = async (walk: 'out' | 'in', sha: string) => {
  const event = eventOf(HIRE, device, { kind: 'surfaceSeen', walk, surface: SURFACE, photos: [sha] });
  const sent = await phone.send('POST', `/hires/${HIRE}/events`, { events: [event], sentAt: quay.clock.now.toISOString() });
  expect((sent.json as { refused: unknown[] }).refused).toEqual([]);
};
const both = async () => {
  const [out, back] = [await photo(40), await photo(140)];
  await looked('out', out);
  await looked('in', back);
  return { out, back };
};
const listed = async () => (await phone.send('GET', `/hires/${HIRE}/comparisons`)).json.comparisons as Comparison[];

it('compares departure’s and return’s photograph of a surface once both are there, and shows what came of it', async () => {
  const { comparing, asked } = made(() => Promise.resolve(DONE));
  const out = await photo(40);
  await looked('out', out);
  comparing.enqueue(HIRE);
  await comparing.idle();
  expect([asked, await listed()]).toEqual([[], []]);
  const back = await photo(140);
  await looked('in', back);
  comparing.enqueue(HIRE);
  await comparing.idle();
  comparing.enqueue(HIRE);
  await comparing.idle();
  expect(asked).toHaveLength(1);
  expect(await listed()).toEqual([
    { surface: SURFACE, out, back, state: 'done', reason: null, boxes: DONE.shares, learnt: NOTHING_LEARNT },
  ]);
  expect([...(await phone.bytes(`/hires/${HIRE}/comparisons/${out}/${back}/heat`))]).toEqual([1, 2, 3]);
  expect((await phone.send('GET', `/hires/h-1002/comparisons/${out}/${back}/heat`)).status).toBe(404);
});

it('shows a renter both pictures laid over each other, and no box that nobody has judged', async () => {
  const { comparing } = made(() => Promise.resolve(DONE));
  const { out, back } = await both();
  comparing.enqueue(HIRE);
  await comparing.idle();
  const link = (await phone.send('POST', `/hires/${HIRE}/links`, {})).json.url as string;
  const renter = quay.client();
  await renter.send('POST', '/renter/session', { token: link.split('#')[1]! });
  const ask = (method: string, path: string, body?: unknown) => renter.send(method, path, body, { 'x-quay-renter': HIRE });
  expect((await ask('GET', `/hires/${HIRE}/comparisons`)).json.comparisons).toEqual([
    { surface: SURFACE, out, back, state: 'done', reason: null, boxes: [], learnt: NOTHING_LEARNT },
  ]);
  expect((await ask('GET', `/hires/${HIRE}/comparisons/${out}/${back}/aligned`)).status).toBe(200);
  expect((await ask('GET', `/hires/h-1002/comparisons/${out}/${back}/aligned`)).status).toBe(404);
  // Whether a pair is compared is the quay's own business.
  expect((await ask('POST', `/hires/${HIRE}/comparisons/${out}/${back}`, { do: 'cancel' })).json.code).toBe('mayNot');
});

it('says why a pair cannot be compared, and gives up a pair that fails three times', async () => {
  const refused = made(() => Promise.resolve({ comparable: false, reason: 'dark', inliers: 0, boxes: [] }));
  const { out, back } = await both();
  refused.comparing.enqueue(HIRE);
  await refused.comparing.idle();
  expect(await listed()).toMatchObject([{ state: 'refused', reason: 'dark' }]);
  const failing = made(() => Promise.reject(new Error('no memory')));
  expect((await phone.send('POST', `/hires/${HIRE}/comparisons/${out}/${back}`, { do: 'again' })).json).toEqual({ state: 'queued' });
  failing.comparing.tick();
  await failing.comparing.idle();
  expect(failing.asked).toHaveLength(ATTEMPTS);
  expect(await listed()).toMatchObject([{ state: 'failed', reason: 'no memory' }]);
  expect(existsSync(comparedFile(quay.store, { out, back }, 'heat'))).toBe(false);
});

it('takes up again what a quay that died had begun, and what one that stopped had under way', async () => {
  await both();
  const stuck = made(() => new Promise<never>(() => undefined));
  stuck.comparing.enqueue(HIRE);
  await stuck.comparing.queued();
  expect(await listed()).toMatchObject([{ state: 'running' }]);
  // Nobody else takes it while it may still be worked on; after the lease somebody does.
  expect(await takeComparison(quay.store.db, quay.clock.now.toISOString())).toBeUndefined();
  quay.clock.now = new Date(quay.clock.now.getTime() + LEASE_MS + 1000);
  const next = made(() => Promise.resolve(DONE));
  next.comparing.tick();
  await next.comparing.idle();
  expect(await listed()).toMatchObject([{ state: 'done' }]);
  expect(next.asked).toHaveLength(1);
  // The one that was thought dead changes nothing any more.
  await stuck.comparing.stop();
  expect(await listed()).toMatchObject([{ state: 'done' }]);
});

it('is called off, and stays called off though the thread ends', async () => {
  const { out, back } = await both();
  const stuck = made(() => new Promise<never>(() => undefined));
  stuck.comparing.enqueue(HIRE);
  await stuck.comparing.queued();
  expect((await phone.send('POST', `/hires/${HIRE}/comparisons/${out}/${back}`, { do: 'cancel' })).json).toEqual({ state: 'cancelled' });
  stuck.comparing.cancel({ hire: HIRE, out, back });
  await stuck.comparing.idle();
  stuck.comparing.enqueue(HIRE);
  await stuck.comparing.queued();
  expect(await listed()).toMatchObject([{ state: 'cancelled' }]);
  expect(stuck.asked).toHaveLength(1);
});

it('takes up what came in while nobody compared once somebody looks, and is not troubled by every look after that', async () => {
  await both();
  const { comparing, asked } = made(() => Promise.resolve(DONE));
  comparing.enqueueOnce(HIRE);
  await comparing.idle();
  expect((await listed()).map(({ state }) => state)).toEqual(['done']);
  await quay.store.db('comparison').delete();
  comparing.enqueueOnce(HIRE);
  await comparing.idle();
  expect([asked.length, await listed()]).toEqual([1, []]);
});

it('learns from what people made of boxes on a surface; what a manager says must not count does not, until it shall again', async () => {
  const { out, back } = await both();
  const { comparing } = made(() => Promise.resolve(DONE));
  comparing.enqueue(HIRE);
  await comparing.idle();
  const { db } = quay.store;
  const boat = (await db('hire').where({ id: HIRE }).first('boat'))!.boat;
  // The boat's next hire; what was made of boxes before counts there, and not while a hire's own are being judged.
  const NEXT = 'h-1002';
  await db('hire').where({ id: NEXT }).update({ boat });
  await db('comparison').insert({ hire: NEXT, surface: SURFACE, out, back, state: 'done', attempts: 1, boxes: '[]' });
  const [box] = DONE.shares;
  const event = eventOf(HIRE, device, { kind: 'boxDismissed', photo: back, x: box!.x, y: box!.y });
  await phone.send('POST', `/hires/${HIRE}/events`, { events: [event], sentAt: quay.clock.now.toISOString() });
  comparing.enqueue(HIRE);
  await comparing.idle();
  const learnt = async (hire = NEXT) =>
    ((await phone.send('GET', `/hires/${hire}/comparisons`)).json.comparisons as Comparison[])[0]!.learnt;
  expect(await learnt(HIRE)).toEqual(NOTHING_LEARNT);
  const aside = { shownFrom: shownFrom([{ strength: 0.8, flaw: false }]), flaws: 0, nothing: 1, forgotten: 0 };
  expect(await learnt()).toEqual(aside);
  const change = (who: Client, what: string) => who.send('POST', `/boats/${boat}/learnt/${SURFACE}`, { do: what });
  expect((await change(phone, 'forget')).status).toBe(403);
  const manager = quay.client();
  await manager.signIn(MANAGER);
  expect((await change(manager, 'forget')).json).toEqual({ ...NOTHING_LEARNT, forgotten: 1 });
  // It stays forgotten whatever else comes in of the hire.
  comparing.enqueue(HIRE);
  await comparing.idle();
  expect(await learnt()).toEqual({ ...NOTHING_LEARNT, forgotten: 1 });
  expect((await change(manager, 'recall')).json).toEqual(aside);
  expect((await manager.send('POST', `/boats/nobodys/learnt/${SURFACE}`, { do: 'forget' })).status).toBe(404);
});
