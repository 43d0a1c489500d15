import { MANAGER, testQuay, type Client, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let manager: Client;
beforeAll(async () => {
  quay = await testQuay();
  // All of the demo's hires have begun by then.
  quay.clock.now = new Date('2026-06-30T10:00:00.000Z');
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterAll(() => quay.stop());

const tried = async (condition: object, named: object = {}) =>
  (await manager.send('POST', '/conditions/tried', { condition, named })).json as { of: number; holds: number; unknown: number };

it('a condition tells on how many of the last hires it would have held', async () => {
  const rows = await quay.store.db('hire').whereNot({ state: 'cancelled' }).select('adults', 'children', 'boat');
  const withChildren = rows.filter(({ children }) => children > 0).length;
  expect(await tried({ fact: 'party.children', atLeast: 1 })).toEqual({ of: rows.length, holds: withChildren, unknown: 0 });
  expect(await tried({ not: { named: 'kids' } }, { kids: { fact: 'party.children', atLeast: 1 } })).toEqual({
    of: rows.length,
    holds: rows.length - withChildren,
    unknown: 0,
  });
  // Nobody has said how old anybody is.
  expect(await tried({ fact: 'party.youngest', atMost: 5 })).toEqual({ of: rows.length, holds: 0, unknown: rows.length });
  const otter = rows.filter(({ boat }) => boat === 'brisk-otter').length;
  expect((await tried({ fact: 'boat.id', is: 'brisk-otter' })).holds).toBe(otter);
});

it('is asked by a manager, with a condition that is one', async () => {
  expect((await manager.send('POST', '/conditions/tried', { condition: { fact: 3 } })).status).toBe(400);
  expect((await quay.client().send('POST', '/conditions/tried', { condition: { fact: 'party.people', atLeast: 1 } })).status).toBe(401);
});
