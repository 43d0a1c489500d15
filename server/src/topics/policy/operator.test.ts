import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let mina: Client;
beforeAll(async () => {
  quay = await testQuay({});
  mina = quay.client();
  await mina.signIn(MANAGER);
});
afterAll(() => quay.stop());

type Settings = Record<string, unknown> & { policies: Record<string, string>; turnaroundMinutes: number; points: unknown };
const now = async () =>
  (await mina.send('GET', '/operator')).json as { name: string; version: number; settings: Settings; texts: Record<string, unknown> };
const change = async (version: number, part: Record<string, unknown>) => {
  const { name, settings } = await now();
  const { points, ...rest } = settings;
  expect(points).toBeDefined();
  return mina.send('PATCH', '/operator', { name, ...rest, ...part }, { 'if-match': `"${version}"` });
};

it('says how the operator works, and what the books say under each policy', async () => {
  const { name, version, texts } = await now();
  expect([typeof name, version]).toEqual(['string', 1]);
  expect(texts.trees).toMatchObject({ never: [{ boats: expect.arrayContaining([expect.any(String)]) as unknown }] });
});

it('is changed by a manager who saw it as it is; what holds everywhere stays, and hires go by it at once', async () => {
  const before = await now();
  const hand = await handOn(quay);
  expect((await hand.send('GET', '/operator')).json.code).toBe('mayNot');
  const answer = await change(1, {
    turnaroundMinutes: 45,
    policies: { ...before.settings.policies, trees: 'yes' },
    castOff: { wind: 'hold' },
  });
  expect(answer.status).toBe(200);
  expect(answer.json).toMatchObject({ version: 2, settings: { turnaroundMinutes: 45, castOff: { wind: 'hold' } } });
  expect((answer.json.settings as Settings).points).toEqual(before.settings.points);
  expect((await change(1, { turnaroundMinutes: 60 })).json.code).toBe('changedMeanwhile');
  const from = new Date(quay.clock.now.getTime() + 30 * 86_400_000);
  const wish = `from=${from.toISOString()}&to=${new Date(from.getTime() + 3_600_000).toISOString()}&people=2`;
  expect((await hand.send('GET', `/bookings/choices?${wish}`)).json.turnaroundMinutes).toBe(45);
  const { json } = await hand.send('GET', '/hires/h-1001');
  expect((json.operator as Settings).policies.trees).toBe('yes');
});

it('refuses what is out of bounds, and takes nothing of it', async () => {
  for (const part of [
    { turnaroundMinutes: -1 },
    { languages: [] },
    { policies: { trees: 'sometimes' } },
    { castOff: { wind: 'never' } },
    { name: ' ' },
  ])
    expect((await change(2, part)).json.code).toBe('doesNotFit');
  expect((await now()).version).toBe(2);
});

it('a breach that costs otherwise is a new price list, for hires booked from then on', async () => {
  const prices = async () => (await mina.send('GET', '/prices')).json as { list: { version: number; breach: string } };
  const { list } = await prices();
  const { settings, version } = await now();
  const other = list.breach === 'warning' ? 'priced' : 'warning';
  expect((await change(version, { policies: { ...settings.policies, breach: other } })).status).toBe(200);
  expect((await prices()).list).toMatchObject({ version: list.version + 1, breach: other });
  // What changes nothing of it makes no list.
  await change(version + 1, { turnaroundMinutes: 20 });
  expect((await prices()).list.version).toBe(list.version + 1);
});
