import type { EventBody } from '@quay/core/record/event';
import { eventOf, handOn, MANAGER, testQuay, type Client, type TestQuay } from '../../testing/quay';

const HIRE = 'h-1001';
let quay: TestQuay;
let hand: Client;
let device: string;
beforeEach(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
  device = ((await hand.send('GET', '/session')).json.device as { id: string }).id;
});
afterEach(() => quay.stop());

const append = async (hire: string, ...bodies: EventBody[]) => {
  const events = bodies.map((body) => eventOf(hire, device, body));
  const { json } = await hand.send('POST', `/hires/${hire}/events`, { sentAt: quay.clock.now.toISOString(), events });
  expect(json.refused).toEqual([]);
  return events;
};
const close = (hire: string, totalMinor: number, events: number, client = hand) =>
  client.send('POST', `/hires/${hire}/close`, { totalMinor, events });
const count = (walk: 'out' | 'in', fitting: string, number: number): EventBody => ({
  kind: 'counted',
  walk,
  fitting,
  count: number,
  state: 'fine',
});
const sealed = (walk: 'out' | 'in', covers: string[]): EventBody => ({
  kind: 'sealed',
  walk,
  covers,
  photos: [],
  previous: null,
  root: 'a'.repeat(64),
  signature: 'none',
  key: 'b'.repeat(64),
});
const eventCount = async (hire: string) => ((await hand.send('GET', `/hires/${hire}/events`)).json.events as unknown[]).length;

/** A boat out and back with one fender lost. */
const outAndBack = async (hire: string) => {
  const out = await append(hire, { kind: 'walkStarted', walk: 'out' }, count('out', 'fenders', 4));
  await append(
    hire,
    sealed(
      'out',
      out.map(({ id }) => id),
    ),
    { kind: 'castOff' },
  );
  const back = await append(hire, { kind: 'cameIn' }, { kind: 'walkStarted', walk: 'in' }, count('in', 'fenders', 3));
  await append(
    hire,
    sealed(
      'in',
      [...out, ...back].map(({ id }) => id),
    ),
  );
};
const decideAll = async (hire: string) => {
  const keys = String(((await close(hire, 0, 0)).json.figures as { lines?: string } | undefined)?.lines ?? '')
    .split(', ')
    .filter(Boolean);
  await append(
    hire,
    ...keys.map((finding): EventBody => ({ kind: 'findingDecided', finding, decision: finding === 'count/fenders' ? 'renters' : 'known' })),
  );
};

it('closes only what is walked in, decided and seen as it stands; the total is the price list’s', async () => {
  expect((await close(HIRE, 0, 0)).json.code).toBe('notWalkedIn');
  await outAndBack(HIRE);
  expect((await close(HIRE, 0, await eventCount(HIRE))).json).toMatchObject({
    status: 409,
    code: 'undecided',
    figures: { lines: expect.stringContaining('count/fenders') as string },
  });
  await decideAll(HIRE);
  const stale = await close(HIRE, 0, await eventCount(HIRE));
  expect(stale.json.code).toBe('changedMeanwhile');
  expect((await close(HIRE, 3800, 1)).json.code).toBe('changedMeanwhile');
  const done = await close(HIRE, 3800, await eventCount(HIRE));
  expect(done.json).toMatchObject({ number: 1 });
  expect((await close(HIRE, 3800, await eventCount(HIRE))).json.code).toBe('alreadyClosed');
  expect((await hand.send('GET', `/hires/${HIRE}`)).json).toMatchObject({ statementNumber: 1 });
});

it('gives numbers without gaps: a closing that failed took none', async () => {
  await outAndBack(HIRE);
  await decideAll(HIRE);
  expect((await close(HIRE, 1, 1)).status).toBe(409);
  expect((await close(HIRE, 3800, await eventCount(HIRE))).json.number).toBe(1);
  // The same boat’s next hire.
  await outAndBack('h-1008');
  await decideAll('h-1008');
  expect((await close('h-1008', 3800, await eventCount('h-1008'))).json.number).toBe(2);
});

it('two who close at once: one does, the other is told', async () => {
  await outAndBack(HIRE);
  await decideAll(HIRE);
  const events = await eventCount(HIRE);
  const answers = await Promise.all([close(HIRE, 3800, events), close(HIRE, 3800, events)]);
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
  expect(await quay.store.db('statement').count('number as n').first()).toEqual({ n: 1 });
});

it('keeps what comes afterwards beside the record: late when made before, proposed when made after', async () => {
  await outAndBack(HIRE);
  await decideAll(HIRE);
  quay.clock.now = new Date(quay.clock.now.getTime() + 60_000);
  await close(HIRE, 3800, await eventCount(HIRE));
  const deliver = (at: string) =>
    hand.send('POST', `/hires/${HIRE}/events`, {
      sentAt: quay.clock.now.toISOString(),
      events: [eventOf(HIRE, device, { kind: 'findingDecided', finding: 'count/fenders', decision: 'wear' }, { at })],
    });
  expect((await deliver('2026-06-13T10:41:30.000Z')).json.refused).toEqual([]);
  quay.clock.now = new Date(quay.clock.now.getTime() + 600_000);
  expect((await deliver(quay.clock.now.toISOString())).json.refused).toEqual([]);
  const manager = quay.client();
  await manager.signIn(MANAGER);
  expect(
    ((await manager.send('GET', '/attention')).json.matters as { hire: string; kind: string; count: number }[]).flatMap(
      ({ hire, kind, count }) => (hire === HIRE ? [[kind, count]] : []),
    ),
  ).toEqual(
    expect.arrayContaining([
      ['late', 1],
      ['proposed', 1],
    ]),
  );
  // Somebody hangs up in the middle of it; the next one gets it whole.
  const gone = new AbortController();
  const cookie = [...hand.cookies].map(([k, v]) => `${k}=${v}`).join('; ');
  const half = fetch(`${quay.base}/api/hires/${HIRE}/statement.pdf`, { signal: gone.signal, headers: { cookie } });
  setTimeout(() => gone.abort(), 5);
  await half.then(() => undefined).catch(() => undefined);
  const pdf = await hand.send('GET', `/hires/${HIRE}/statement.pdf`);
  expect([pdf.status, pdf.headers.get('content-type'), pdf.headers.get('content-disposition')]).toEqual([
    200,
    'application/pdf',
    'inline; filename="statement-1.pdf"',
  ]);
});

it('is on paper in the language the renter is spoken to in: the booking’s, until they choose another', async () => {
  const titleOf = async () => {
    const cookie = [...hand.cookies].map(([k, v]) => `${k}=${v}`).join('; ');
    const answer = await fetch(`${quay.base}/api/hires/${HIRE}/statement.pdf`, { headers: { cookie } });
    const text = Buffer.from(await answer.arrayBuffer()).toString('latin1');
    // The title stands in an object of its own, which the page's description names.
    const [, object = ''] = /\/Title (\d+) 0 R/.exec(text) ?? [];
    return new RegExp(`\\n${object} 0 obj\\n\\(([^)]*)\\)`).exec(text)?.[1];
  };
  await outAndBack(HIRE);
  expect(await titleOf()).toBe('Draft statement');
  await append(HIRE, { kind: 'languageChosen', language: 'de' });
  expect(await titleOf()).toBe('Entwurf der Abrechnung');
  await append(HIRE, { kind: 'languageChosen', language: 'es' });
  expect(await titleOf()).toBe('Borrador de la cuenta');
});

it('lets a renter disagree: the line stays held, not charged', async () => {
  await outAndBack(HIRE);
  await decideAll(HIRE);
  await append(
    HIRE,
    { kind: 'depositTaken', amountMinor: 25_000, how: 'cash' },
    { kind: 'lineDecided', line: 'count/fenders', state: 'disputed' },
  );
  expect((await close(HIRE, 0, await eventCount(HIRE))).json.number).toBe(1);
  const row = (await quay.store.db('statement').first('body')) as { body: string };
  expect(JSON.parse(row.body)).toMatchObject({
    statement: {
      totalMinor: 0,
      disputedMinor: 3800,
      deposit: { heldMinor: 25_000, capturedMinor: 0, stillHeldMinor: 3800, releasedMinor: 21_200 },
    },
  });
});

describe('the day', () => {
  const states = async () => {
    const { json } = await hand.send('GET', '/day?base=ossel-quay');
    return Object.fromEntries((json.hires as { id: string; state: string; hold: string | null }[]).map(({ id, state }) => [id, state]));
  };

  it('follows the record: walking out, ready, out, walking in, to settle, closed', async () => {
    expect((await states())[HIRE]).toBe('booked');
    const out = await append(HIRE, { kind: 'walkStarted', walk: 'out' }, count('out', 'fenders', 4));
    expect((await states())[HIRE]).toBe('walkingOut');
    await append(
      HIRE,
      sealed(
        'out',
        out.map(({ id }) => id),
      ),
    );
    expect((await states())[HIRE]).toBe('readyToGo');
    await append(HIRE, { kind: 'castOff' });
    expect((await states())[HIRE]).toBe('out');
    await append(HIRE, { kind: 'cameIn' });
    expect((await states())[HIRE]).toBe('walkingIn');
    await append(
      HIRE,
      sealed(
        'in',
        out.map(({ id }) => id),
      ),
    );
    expect((await states())[HIRE]).toBe('settling');
  });

  it('keeps a boat that never came back on the board, however long ago', async () => {
    await append(HIRE, { kind: 'walkStarted', walk: 'out' }, { kind: 'castOff' });
    quay.clock.now = new Date(quay.clock.now.getTime() + 3 * 86_400_000);
    // A session ends after its hours; the board is asked by somebody signed in again.
    await hand.signIn({ name: 'bram oduya', secret: '204618' });
    expect((await states())[HIRE]).toBe('out');
    expect((await states())['h-1014']).toBeUndefined();
  });

  it('knows each base by itself and says when there is none', async () => {
    const pell = (await hand.send('GET', '/day?base=pell-slip')).json.hires as { boat: string }[];
    expect(new Set(pell.map(({ boat }) => boat))).toEqual(new Set(['Brisk Otter', 'Half Past Heron']));
    expect((await hand.send('GET', '/day?base=nowhere')).json.code).toBe('noBase');
  });

  it('shows a hold as soon as the record has one', async () => {
    await append(HIRE, { kind: 'walkStarted', walk: 'out' }, { kind: 'boatHeld', why: 'fog on the cut' });
    const { json } = await hand.send('GET', '/day?base=ossel-quay');
    const row = (json.hires as { id: string; hold: string | null }[]).find(({ id }) => id === HIRE)!;
    expect(JSON.parse(row.hold!)).toEqual({ is: 'said', why: 'fog on the cut' });
  });
});
