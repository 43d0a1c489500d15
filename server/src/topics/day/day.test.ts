import { type Client, handOn, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let hand: Client;
beforeEach(async () => {
  quay = await testQuay();
  hand = await handOn(quay);
});
afterEach(() => quay.stop());

const seen = async (): Promise<string[]> =>
  ((await hand.send('GET', '/day?base=ossel-quay')).json.hires as { id: string }[]).map(({ id }) => id);
const book = (from: string, to: string) => quay.store.db('hire').where({ id: 'h-1001' }).update({ from, to, state: 'booked' });

describe('the day round midnight', () => {
  it('late in the evening shows who leaves after it, and at noon does not', async () => {
    // Twenty to one in the night, local time.
    await book('2026-06-13T23:40:00.000Z', '2026-06-14T05:00:00.000Z');
    quay.clock.now = new Date('2026-06-13T10:42:00.000Z');
    expect(await seen()).not.toContain('h-1001');
    quay.clock.now = new Date('2026-06-13T22:30:00.000Z');
    expect(await seen()).toContain('h-1001');
  });

  it('early in the morning shows who came in before it', async () => {
    await book('2026-06-12T16:00:00.000Z', '2026-06-12T21:00:00.000Z');
    quay.clock.now = new Date('2026-06-12T23:30:00.000Z');
    expect(await seen()).toContain('h-1001');
    quay.clock.now = new Date('2026-06-13T10:42:00.000Z');
    expect(await seen()).not.toContain('h-1001');
  });
});

describe('bookings', () => {
  const booked = async (from: string, to: string): Promise<string[]> =>
    ((await hand.send('GET', `/bookings?base=ossel-quay&from=${from}&to=${to}`)).json.hires as { id: string }[]).map(({ id }) => id);

  it('of some days are all hires that touch one of them, by the clocks of the base', async () => {
    // From eleven in the evening of the 20th to one in the morning of the 22nd, local time.
    await book('2026-06-20T22:00:00.000Z', '2026-06-22T00:00:00.000Z');
    for (const day of ['2026-06-20', '2026-06-21', '2026-06-22'])
      expect(await booked(day, new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10))).toContain('h-1001');
    expect(await booked('2026-06-18', '2026-06-20')).not.toContain('h-1001');
    expect(await booked('2026-06-23', '2026-06-30')).not.toContain('h-1001');
  });

  it('come the earliest first, and only those of the base', async () => {
    const { hires } = (await hand.send('GET', '/bookings?base=ossel-quay&from=2026-06-01&to=2026-07-01')).json as unknown as {
      hires: { id: string; from: string }[];
    };
    expect(hires.length).toBeGreaterThan(5);
    expect(hires.map(({ from }) => from)).toEqual(hires.map(({ from }) => from).sort());
    const others = (await quay.store.db('hire').whereNot({ base: 'ossel-quay' }).pluck('id')) as string[];
    expect(hires.filter(({ id }) => others.includes(id))).toEqual([]);
  });

  it('are not asked for without an end, backwards, or for days that are none', async () => {
    const status = async (query: string) => (await hand.send('GET', `/bookings?${query}`)).status;
    expect(await status('from=2026-06-01&to=2026-08-02')).toBe(200);
    for (const query of [
      'from=2026-06-01&to=2026-08-03',
      'from=2026-06-02&to=2026-06-01',
      'from=2026-06-01',
      'from=2026-02-30&to=2026-03-02',
    ])
      expect(await status(query)).toBe(400);
    expect(await status('from=2026-06-01&to=2026-06-02&base=nowhere')).toBe(404);
    expect((await quay.client().send('GET', '/bookings?from=2026-06-01&to=2026-06-02')).status).toBe(401);
  });
});
