/** @jest-environment node */
import { METRIC } from '@quay/core/number/units';
import 'fake-indexeddb/auto';
import type { NewHire } from '@quay/contract/booking';
import type { BoatPack, WalkIns } from '@quay/contract/walkIn';
import type { EventBody } from '@quay/core/record/event';
import { type Answer, answerFetch, type Sent } from '../../testing/answerFetch';
import { pack } from '../../testing/view';
import { NoAnswer } from '../api';
import { localDb, write } from '../localDb';
import { rememberMe } from '../outbox/author';
import { deliver, deliveryState, pendingCount } from '../outbox/deliver';
import { saveEvents } from '../outbox/save';
import { watchRestored } from '../outbox/restored';
import { choices } from './choices';
import { bookHere, NotOnThisPhone, packOfUnsent, saveWalkIns, withHiresHere } from './saved';

watchRestored();

let sent: Sent[];
let answer: (one: Sent) => Answer;
const cut = (): never => {
  throw new TypeError('Failed to fetch');
};
const takesAll = ({ path, body }: Sent): Answer =>
  path.endsWith('/events')
    ? { json: { synced: (body as { events: { id: string }[] }).events.map(({ id }) => id), refused: [] } }
    : { json: path === '/api/hires' ? { ...pack.hire, id: (body as NewHire).id } : {} };

const { boat, base, waters, rules, operator, book, bookVersion, prices } = pack;
const boatPack: BoatPack = {
  boat,
  base,
  waters,
  rules,
  operator,
  book,
  bookVersion,
  prices,
  away: null,
  previousSeal: null,
  priceVersion: 3,
};
const walkIns = (booked: WalkIns['booked'] = []): WalkIns => ({
  now: '2026-06-13T10:00:00.000Z',
  base: { id: base.id, name: base.name, zone: base.zone },
  bases: [],
  currency: 'EUR',
  handover: 'staffed',
  languages: ['en'],
  turnaroundMinutes: 30,
  boats: [
    { id: boat.id, name: boat.name, hullNumber: '1', people: 6, depositMinor: 5000, mark: 'm' },
    { id: 'not-here', name: 'Not Here', hullNumber: '2', people: 6, depositMinor: 5000, mark: 'm' },
  ],
  booked,
});
const hire: NewHire = {
  id: 'h-here',
  boat: boat.id,
  from: '2026-06-13T11:00:00.000Z',
  to: '2026-06-13T13:00:00.000Z',
  renter: 'Orla Pinnock',
  contact: '',
  language: 'en',
  handover: 'staffed',
  party: { adults: 2, children: 0 },
  depositMinor: 5000,
  notes: '',
};
const wanted = { from: '2026-06-13T12:00:00.000Z', to: '2026-06-13T14:00:00.000Z', people: 2 };
const paths = () => sent.map(({ path }) => path);
const stateHere = async () => (await (await localDb()).get('hires', 'h-here'))?.state;
const counted: EventBody = { kind: 'counted', walk: 'out', fitting: 'fenders', count: 4, state: 'fine' };

beforeEach(async () => {
  sent = [];
  answer = takesAll;
  answerFetch((one) => {
    sent.push(one);
    return answer(one);
  });
  await deliver();
  const all = ['hires', 'boats', 'events', 'packs', 'named'] as const;
  await write([...all], async (tx) => {
    for (const name of all) await tx.objectStore(name).clear();
  });
  await rememberMe(
    {
      staff: { id: 'bram', name: 'bram', role: 'hand' },
      device: { id: 'phone-1', name: 'Quay phone', enrolled: true },
      operator: { name: 'Ossel', currency: 'EUR', simulated: true, units: METRIC },
    },
    'grant',
  );
  await saveWalkIns(walkIns());
  await write(['boats'], (tx) => tx.objectStore('boats').put({ ...boatPack, id: boat.id, mark: 'm' }));
  sent = [];
});

describe('without signal', () => {
  beforeEach(() => (answer = cut));

  it('the boats whose books are here are offered, by what was known of their time', async () => {
    expect(await choices(wanted)).toMatchObject({ asOf: expect.any(Number) as number, boats: [{ id: boat.id, is: 'free' }] });
    await saveWalkIns(walkIns([{ hire: 'h-1', boat: boat.id, renter: 'Fenno', from: wanted.from, to: '2026-06-13T12:30:00.000Z' }]));
    const [one] = (await choices(wanted)).boats;
    expect(one).toMatchObject({ is: 'taken', clashes: [{ is: 'overlaps', renter: 'Fenno' }], freeFrom: '2026-06-13T13:00:00.000Z' });
  });

  it('what was booked here counts from then on', async () => {
    await bookHere(hire);
    expect((await choices(wanted)).boats).toMatchObject([{ is: 'taken', clashes: [{ hire: 'h-here', renter: 'Orla Pinnock' }] }]);
  });

  it('nothing is offered by a phone that never knew, nor a boat booked whose book is not here', async () => {
    await expect(choices({ ...wanted, base: 'elsewhere' })).rejects.toThrow(NoAnswer);
    await expect(bookHere({ ...hire, boat: 'not-here' })).rejects.toThrow(NotOnThisPhone);
    expect(await pendingCount()).toMatchObject({ pending: 0 });
  });

  it('the hire has a pack of its own and stands on the day', async () => {
    await bookHere(hire);
    expect(await packOfUnsent('h-here')).toMatchObject({
      hire: { id: 'h-here', boat: boat.id, base: base.id, depositMinor: 5000 },
      bookVersion,
      signerSalt: expect.stringMatching(/^[0-9a-f]{32}$/) as string,
    });
    const day = { now: hire.from, base: walkIns().base, bases: [], hires: [], keptAt: 0 };
    const here = await (await localDb()).getAll('hires');
    expect(withHiresHere(day, here)).toMatchObject([{ id: 'h-here', boat: boat.name, party: 2, state: 'booked' }]);
    expect(withHiresHere(day, here, { from: '2026-06-14', to: '2026-06-15' })).toEqual([]);
    expect(withHiresHere({ ...day, base: { ...day.base, id: 'elsewhere' } }, here)).toEqual([]);
    // Once the quay lists it, it is there once.
    expect(withHiresHere({ ...day, hires: withHiresHere(day, here) }, here)).toHaveLength(1);
  });
});

describe('once there is signal', () => {
  it('the hire goes out before what was entered of it, with the salt it was signed under', async () => {
    answer = cut;
    await bookHere(hire);
    await saveEvents('h-here', { version: 1, boat: boat.id }, [{ body: counted, replaces: [] }]);
    await deliver();
    expect(await pendingCount()).toMatchObject({ pending: 2 });
    const { signerSalt } = (await packOfUnsent('h-here'))!;
    [sent, answer] = [[], takesAll];
    await deliver();
    expect(paths()).toEqual(['/api/hires', '/api/hires/h-here/events']);
    expect(sent[0]!.body).toMatchObject({ id: 'h-here', offline: { salt: signerSalt, priceVersion: 3 } });
    expect([await stateHere(), await pendingCount()]).toMatchObject(['synced', { pending: 0, refused: 0 }]);
    expect(await packOfUnsent('h-here')).toBeUndefined();
  });

  it('one that the quay would not take stays here with its reason, what was entered of it as well, and the others go on', async () => {
    answer = cut;
    await bookHere(hire);
    await saveEvents('h-here', { version: 1 }, [{ body: counted, replaces: [] }]);
    await saveEvents('h-other', { version: 1 }, [{ body: counted, replaces: [] }]);
    [sent, answer] = [
      [],
      (one) =>
        one.path === '/api/hires' ? { status: 404, json: { type: 'about:blank', status: 404, code: 'noSuchBoat' } } : takesAll(one),
    ];
    await deliver();
    expect(paths()).toEqual(['/api/hires', '/api/hires/h-other/events']);
    expect(await (await localDb()).get('hires', 'h-here')).toMatchObject({ state: 'refused', refusal: { reason: 'noSuchBoat' } });
    expect([deliveryState().state, await pendingCount()]).toMatchObject(['idle', { pending: 1, refused: 1 }]);
    // It can still be read here, and stands on the day.
    expect(await packOfUnsent('h-here')).toBeDefined();
    const day = { now: hire.from, base: walkIns().base, bases: [], hires: [], keptAt: Infinity };
    expect(withHiresHere(day, await (await localDb()).getAll('hires'))).toMatchObject([{ id: 'h-here' }]);
  });

  it('nothing of it goes out while the quay asks who is there', async () => {
    answer = () => ({ status: 401, json: { type: 'about:blank', status: 401, code: 'signIn' } });
    await bookHere(hire);
    await deliver();
    expect([await stateHere(), deliveryState().state]).toEqual(['pending', 'signIn']);
  });

  it('a quay that was restored gets it once more', async () => {
    answer = (one) => ({ ...takesAll(one), epoch: 'first' });
    await bookHere(hire);
    await deliver();
    expect(await stateHere()).toBe('synced');
    [sent, answer] = [[], (one) => ({ ...takesAll(one), epoch: 'second' })];
    await choices(wanted).catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 50));
    await deliver();
    expect(paths().filter((path) => path === '/api/hires')).toHaveLength(1);
  });
});
