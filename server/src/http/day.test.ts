import { type Client, handOn, testQuay, type TestQuay } from '../testing/quay';

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
