import type { Everywhere, RulesShelf } from '@quay/contract/fleet';
import { type Client, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let manager: Client;
beforeAll(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterAll(() => quay.stop());

describe('what lies under every book', () => {
  it('rules are changed under the version that was seen, and hold at the next look at a hire', async () => {
    const get = async () => (await manager.send('GET', '/rules/ossel')).json as unknown as RulesShelf;
    const { rules, version, waters } = await get();
    expect(waters).toEqual(['Lake Ossel']);
    const put = (more: object, seen: number) =>
      manager.send('PATCH', '/rules/ossel', { rules: { ...rules, ...more } }, { 'if-match': `"${seen}"` });
    expect((await put({ childUnder: 200 }, version)).status).toBe(400);
    expect((await put({ id: 'other' }, version)).json.code).toBe('otherBook');
    const source = { from: 'Harbour by-law 12', checkedBy: 'Mina Garrow', checkedOn: '2026-06-01' };
    expect((await put({ childUnder: 13, source }, version)).status).toBe(200);
    expect((await put({ childUnder: 14 }, version)).json.code).toBe('changedMeanwhile');
    expect((await get()).rules).toMatchObject({ childUnder: 13, source });
    const { json } = await manager.send('GET', '/hires/h-1001');
    expect((json.rules as { childUnder: number }).childUnder).toBe(13);
    expect((await manager.send('GET', '/rules/nowhere')).json.code).toBe('noSuchBook');
  });

  it('what is said on every boat makes a new version of every book, or of none', async () => {
    const get = async () => (await manager.send('GET', '/everywhere')).json as unknown as Everywhere;
    const versions = async () => (await quay.store.db('boat').orderBy('id').select('bookVersion')).map(({ bookVersion }) => bookVersion);
    const { points, version, boats } = await get();
    expect(boats).toHaveLength(6);
    const before = await versions();
    const put = (next: unknown[], seen = version) => manager.send('PATCH', '/everywhere', { points: next }, { 'if-match': `"${seen}"` });
    const odd = { ...points[0]!, when: { fact: 'the.moon', is: 'full' } };
    expect((await put([odd])).json.code).toBe('faults');
    expect((await put([points[0], points[0]])).json.code).toBe('faults');
    expect(await versions()).toEqual(before);
    const said = points.map((point, i) => (i === 0 ? { ...point, seconds: point.seconds + 5 } : point));
    expect((await put(said)).status).toBe(200);
    expect(await versions()).toEqual(before.map((one) => one + 1));
    expect((await put(said)).json.code).toBe('changedMeanwhile');
    // How the operator works was changed as well: whoever has that page open finds out.
    expect((await manager.send('GET', '/operator')).json.version).toBe(version + 1);
  });
});
