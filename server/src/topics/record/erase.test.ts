import { join } from 'node:path';
import { checkSeal } from '@quay/core/events/seal';
import { play } from '../../demo/play';
import { DEMO, testQuay, type TestQuay } from '../../testing/quay';
import { erasePeople } from './erase';
import { storeSheet, sheetsOf } from '../party/party';
import { wholeRecord } from './record';

let quay: TestQuay;
beforeEach(async () => {
  quay = await testQuay();
});
afterEach(() => quay.stop());

const SHEET = { salt: '1'.repeat(32), party: { people: [{ id: 'a', name: 'Penny', swims: 'well' as const }] } };
const renterOf = async (hire: string) =>
  (await quay.store
    .db('person')
    .join('hire', 'hire.renter', 'person.id')
    .where('hire.id', hire)
    .first('person.name', 'person.contact')) as {
    name: string;
    contact: string;
  };

describe('erasing people after the operator’s term', () => {
  it('takes names and sheets of hires that were closed before the day, and leaves records and seals as they were', async () => {
    const { db } = quay.store;
    await play(quay.store, quay.key, join(DEMO, 'play.json'), quay.clock.now);
    for (const hire of ['h-1005', 'h-1001']) await storeSheet(db, hire, SHEET, quay.clock.now.toISOString());
    const seals = () => db('seal').where({ hire: 'h-1005' }).orderBy('walk');
    const [before, events] = [await seals(), await db('event').where({ hire: 'h-1005' })];
    expect(before.length).toBe(2);

    // The term is not over yet.
    expect(await erasePeople(db, '2020-01-01T00:00:00.000Z')).toBe(0);
    expect((await renterOf('h-1005')).name).toBe('Marsh & Penny Lowe');

    expect(await erasePeople(db, '2027-01-01T00:00:00.000Z')).toBeGreaterThan(0);
    expect(await renterOf('h-1005')).toEqual({ name: '–', contact: '' });
    expect(await sheetsOf(db, 'h-1005')).toEqual([]);
    expect(await seals()).toEqual(before);
    expect(await db('event').where({ hire: 'h-1005' })).toEqual(events);
    const { stored, digests } = await wholeRecord(db, 'h-1005');
    const sealed = stored.flatMap(({ event: { body } }) => (body.kind === 'sealed' ? [body] : []));
    expect(sealed.map((seal) => checkSeal(seal, digests))).toEqual([{ ok: true }, { ok: true }]);
    // Hires that are not closed are nobody's to erase.
    expect((await renterOf('h-1001')).name).toBe('Ines Okonjo-Lind');
    expect(await sheetsOf(db, 'h-1001')).toEqual([SHEET]);
  });

  it('leaves somebody their name while another hire of theirs goes on', async () => {
    const { db } = quay.store;
    const { renter } = (await db('hire').where({ id: 'h-1001' }).first('renter')) as { renter: string };
    await db('hire').where({ id: 'h-1008' }).update({ renter });
    await db('hire').where({ id: 'h-1008' }).update({ state: 'closed', to: '2025-01-01T10:00:00.000Z' });
    expect(await erasePeople(db, '2026-01-01T00:00:00.000Z')).toBe(1);
    expect((await renterOf('h-1001')).name).toBe('Ines Okonjo-Lind');
  });
});
