import type { BoatBook } from '@quay/core/fleet/book';
import { type Client, MANAGER, testQuay, type TestQuay } from '../testing/quay';

let quay: TestQuay;
let manager: Client;
beforeEach(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterEach(() => quay.stop());

type Shelf = {
  boatBook: BoatBook;
  version: number;
  laid: { points: { id: string; say: { en: string } }[] };
  origins: Record<string, { book: string; is: string }>;
  versions: { version: number; madeBy: string | null; hires: number }[];
};
const shelf = async () => (await manager.send('GET', '/boats/tuppenny-bun/book')).json as unknown as Shelf;
const change = (boatBook: BoatBook, version: number) =>
  manager.send('PATCH', '/boats/tuppenny-bun/book', { boatBook }, { 'if-match': `"${version}"` });

describe('a boat’s book', () => {
  it('is seen with where each point comes from; those of base and waters are there, and come from no book of hers', async () => {
    const { json } = await manager.send('GET', '/boats');
    expect(json.boats).toHaveLength(6);
    const { origins, laid, boatBook } = await shelf();
    expect(origins['bow-rails']).toEqual({ book: 'any-boat', is: 'brought' });
    expect(origins['bow-gate']).toEqual({ book: 'pontoon-7', is: 'brought' });
    expect(origins['own-step']).toEqual({ book: boatBook.id, is: 'brought' });
    expect(laid.points.some(({ id }) => id === 'ossel-rocks')).toBe(true);
    expect(origins['ossel-rocks']).toBeUndefined();
  });

  it('is changed as a new version, kept by whoever has begun with the old one, and refused when it was changed meanwhile', async () => {
    const before = await shelf();
    await quay.store.db('hire').where({ id: 'h-1001' }).update({ bookVersion: before.version });
    const next = { ...before.boatBook, points: [...(before.boatBook.points ?? []), { id: 'lever', say: { en: 'Hers is stiff.' } }] };
    const done = (await change(next, before.version)).json as unknown as Shelf;
    expect(done.version).toBe(before.version + 1);
    expect(done.origins.lever).toEqual({ book: 'tuppenny-bun', is: 'changed' });
    expect(done.versions).toMatchObject([
      { version: 2, madeBy: 'Mina Garrow', hires: 0 },
      { version: 1, madeBy: null, hires: 1 },
    ]);
    const said = async (hire: string) =>
      ((await manager.send('GET', `/hires/${hire}`)).json.book as Shelf['laid']).points.find(({ id }) => id === 'lever')?.say.en;
    expect(await said('h-1001')).toMatch(/^One lever/);
    expect(await said('h-1008')).toBe('Hers is stiff.');
    const old = (await manager.send('GET', '/boats/tuppenny-bun/book/1')).json.laid as Shelf['laid'];
    expect(old.points.find(({ id }) => id === 'lever')?.say.en).toMatch(/^One lever/);
    const late = await change(next, before.version);
    expect([late.status, late.json.code]).toEqual([412, 'changedMeanwhile']);
  });

  it('that does not hold together is refused with every fault by path, and nothing is changed', async () => {
    const { boatBook, version } = await shelf();
    const wrong = {
      ...boatBook,
      conditions: { a: { named: 'b' }, b: { named: 'a' } },
      fittings: [{ id: 'nothing-here', absent: true as const }],
    };
    const answer = await change(wrong, version);
    expect([answer.status, answer.json.code]).toEqual([422, 'faults']);
    expect(answer.json.detail).toContain('fittings[nothing-here]: is said to be absent');
    expect(answer.json.detail).toContain('conditions.a: leads in a circle: a → b → a');
    expect((await change({ ...boatBook, class: 'rib-6' }, version)).json.code).toBe('otherBoat');
    expect((await shelf()).version).toBe(version);
  });
});
