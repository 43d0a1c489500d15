import type { WatersShelf } from '@quay/contract/waters';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

describe('waters in the program', () => {
  let quay: TestQuay;
  let mina: Client;
  beforeAll(async () => {
    quay = await testQuay();
    mina = await handOn(quay, MANAGER);
  });
  afterAll(() => quay.stop());
  const shelf = async () => (await mina.send('GET', '/waters/lake-ossel')).json as WatersShelf;
  const put = (waters: unknown, version: number) => mina.send('PATCH', '/waters/lake-ossel', { waters }, { 'if-match': `"${version}"` });

  it('are changed under the version that was seen, and hires go by the new ones at once', async () => {
    const { waters, version, boats } = await shelf();
    expect(boats).toContain('Tuppenny Bun');
    const slower = {
      ...waters,
      features: waters.features.map((one) =>
        one.id === 'open-water'
          ? { ...one, properties: { ...one.properties, limitKmh: 12, source: 'the harbour office', checked: '2026-06-01' } }
          : one,
      ),
    };
    expect((await put(slower, version)).status).toBe(200);
    const pack = (await mina.send('GET', '/hires/h-1001')).json as { waters: WatersShelf['waters'] };
    expect(pack.waters.features.find(({ id }) => id === 'open-water')?.properties.limitKmh).toBe(12);
    expect((await put(waters, version)).status).toBe(412);
    expect((await shelf()).version).toBe(version + 1);
  });

  it('that do not hold together are refused by the name of the feature, and nothing is lost', async () => {
    const { waters, version } = await shelf();
    const crossed = {
      type: 'Feature',
      id: 'bow-tie',
      properties: { kind: 'slow', name: 'Bow tie', limitKmh: 6 },
      geometry: { type: 'Polygon', coordinates: [[[-37.99, 48], [-37.98, 48.01], [-37.98, 48], [-37.99, 48.01], [-37.99, 48]]] }, // prettier-ignore
    };
    const answer = await put({ ...waters, features: [...waters.features, crossed] }, version);
    expect([answer.status, answer.json]).toEqual([422, expect.objectContaining({ code: 'faults' })]);
    expect(JSON.stringify(answer.json)).toContain('Bow tie: its outline crosses itself');
    expect((await put({ ...waters, rules: 'no-such' }, version)).status).toBe(422);
    expect((await put({ ...waters, id: 'other' }, version)).status).toBe(400);
    expect((await shelf()).version).toBe(version);
  });
});
