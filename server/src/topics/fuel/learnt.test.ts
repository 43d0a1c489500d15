import type { EventBody } from '@quay/core/record/event';
import { eventOf, handOn, testQuay, type TestQuay } from '../../testing/quay';
import { learntOf } from './learnt';

let quay: TestQuay;
beforeEach(async () => {
  quay = await testQuay();
});
afterEach(() => quay.stop());

const BOAT = 'copper-kettle';
const TANK_L = 120;

it('learns a gauge’s errors from fills that were metered to the brim at the end of a hire, and from nothing else', async () => {
  const phone = await handOn(quay);
  const { device } = (await phone.send('GET', '/session')).json as { device: { id: string } };
  const { db } = quay.store;
  const pattern = (await db('hire').where({ boat: BOAT }).first())!;
  const gauges = (
    (await phone.send('GET', `/hires/${pattern.id}`)).json as { book: { gauges: { id: string; tank?: string; unit?: string }[] } }
  ).book.gauges;
  const gauge = gauges.find(({ tank }) => tank === 'diesel')!;
  const hire = async (n: number, bodies: EventBody[], state: 'closed' | 'out' = 'closed') => {
    const id = `past-${n}`;
    await db('hire').insert({ ...pattern, id, from: `2026-05-${10 + n}T08:00:00.000Z`, to: `2026-05-${10 + n}T12:00:00.000Z` });
    const events = bodies.map((body) => eventOf(id, device.id, body));
    const sent = await phone.send('POST', `/hires/${id}/events`, { events, sentAt: quay.clock.now.toISOString() });
    expect([sent.status, (sent.json as { refused: unknown[] }).refused]).toEqual([200, []]);
    await db('hire').where({ id }).update({ state });
  };
  const read = (shown: number): EventBody => ({ kind: 'gaugeRead', walk: 'in', gauge: gauge.id, shown });
  const filled = (litres: number, brim = true): EventBody => ({ kind: 'fuelFilled', tank: gauge.tank!, litres, brim, by: 'operator' });
  for (let n = 0; n < 4; n += 1) await hire(n, [read(100 + 40 * n), filled(TANK_L / 2)]);
  expect(await learntOf(db, BOAT, quay.clock.now.toISOString())).toEqual([{ gauge: gauge.id, fills: 4, errors: null }]);
  await hire(5, [read(150), filled(40)]);
  // Not to the brim, not come in yet, or filled twice: none of it proves what was in the tank.
  await hire(6, [read(150), filled(40, false)]);
  await hire(7, [read(150), filled(40)], 'out');
  await hire(8, [read(150), filled(30), filled(10)]);
  const [learnt] = await learntOf(db, BOAT, quay.clock.now.toISOString());
  expect(learnt).toMatchObject({ gauge: gauge.id, fills: 5, errors: { fills: 5 } });
  expect(learnt!.errors!.sd).toBeGreaterThan(0);
});
