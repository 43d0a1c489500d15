import type { BoatChoice } from '@quay/contract/booking';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let hand: Client;
beforeAll(async () => {
  quay = await testQuay({});
  hand = await handOn(quay);
});
afterAll(() => quay.stop());

/** So many hours after the quay's midnight of tomorrow's tomorrow, when nothing of the demo is booked. */
const at = (hours: number) =>
  new Date(Math.floor(quay.clock.now.getTime() / 86_400_000) * 86_400_000 + (48 + 24 * 20 + hours) * 3_600_000).toISOString();
let made = 0;
const hireOf = (from: number, to: number, part: Record<string, unknown> = {}) => ({
  id: `h-new-${(made += 1)}`,
  boat: 'tuppenny-bun',
  from: at(from),
  to: at(to),
  renter: 'Orla Pinnock',
  contact: 'orla@example.test',
  language: 'fr',
  handover: 'staffed',
  party: { adults: 2, children: 1 },
  depositMinor: 25_000,
  notes: '',
  ...part,
});
const book = (hire: Record<string, unknown>) => hand.send('POST', '/hires', hire);
const choices = async (from: number, to: number, people = 2) =>
  (await hand.send('GET', `/bookings/choices?base=ossel-quay&from=${at(from)}&to=${at(to)}&people=${people}`)).json as {
    boats: BoatChoice[];
    turnaroundMinutes: number;
  };
const choiceOf = async (boat: string, from: number, to: number, people = 2) =>
  (await choices(from, to, people)).boats.find(({ id }) => id === boat)!;

describe('a new hire', () => {
  it('is on the list of bookings and can be walked', async () => {
    const hire = hireOf(1, 3);
    const { status, json } = await book(hire);
    expect(status).toBe(200);
    expect(json).toMatchObject({ id: hire.id, renter: 'Orla Pinnock', base: 'ossel-quay', party: { adults: 2, children: 1 }, version: 1 });
    const pack = (await hand.send('GET', `/hires/${hire.id}`)).json;
    expect(pack).toMatchObject({ hire: { from: hire.from, language: 'fr' }, boat: { name: 'Tuppenny Bun' } });
    const day = at(1).slice(0, 10);
    const next = new Date(Date.parse(at(1)) + 86_400_000).toISOString().slice(0, 10);
    const list = (await hand.send('GET', `/bookings?base=ossel-quay&from=${day}&to=${next}`)).json.hires as { id: string; state: string }[];
    expect(list.find(({ id }) => id === hire.id)).toMatchObject({ state: 'booked' });
  });

  it('sent twice is booked once, and another under its name is refused', async () => {
    const hire = hireOf(30, 32);
    await book(hire);
    expect((await book(hire)).status).toBe(200);
    for (const part of [
      { renter: 'Somebody Else' },
      { party: { adults: 3, children: 1 } },
      { contact: 'other@example.test' },
      { notes: 'Late' },
      { depositMinor: 1 },
    ])
      expect((await book({ ...hire, ...part })).json.code).toBe('changedMeanwhile');
  });

  it('is refused where somebody has the boat, and asked for again where she could not be turned round', async () => {
    await book(hireOf(50, 54));
    expect((await book(hireOf(53, 56))).json).toMatchObject({ code: 'boatTaken' });
    const tight = hireOf(54.25, 56);
    expect((await book(tight)).json).toMatchObject({ code: 'boatTight', figures: { minutes: 15, needs: 30 } });
    expect((await book({ ...tight, insist: true })).status).toBe(200);
    expect((await book({ ...hireOf(53, 55), insist: true })).json).toMatchObject({ code: 'boatTaken' });
  });

  it.each([
    ['for a party over her plate', { party: { adults: 40, children: 0 } }, 409, 'overPlate'],
    ['of a boat that is not there', { boat: 'ghost' }, 404, 'noSuchBoat'],
    ['that began days ago', { from: '2020-01-01T10:00:00.000Z', to: '2020-01-01T12:00:00.000Z' }, 409, 'longPast'],
    ['that ends before it begins', { to: '2020-01-01T10:00:00.000Z' }, 400, 'doesNotFit'],
    ['for a year', { to: '2099-01-01T10:00:00.000Z' }, 400, 'doesNotFit'],
    ['for nobody', { renter: '   ' }, 400, 'doesNotFit'],
    ['at an hour that is none', { from: '2026-13-01T10:00:00.000Z' }, 400, 'doesNotFit'],
    ['with nobody grown-up', { party: { adults: 0, children: 2 } }, 400, 'doesNotFit'],
  ])('%s is refused', async (_, part, status, code) => {
    const answer = await book(hireOf(70, 72, part));
    expect([answer.status, answer.json.code]).toEqual([status, code]);
    expect((await hand.send('GET', `/hires/h-new-${made}`)).status).toBe(404);
  });

  it('made by two at once is one hire and one refusal', async () => {
    const answers = await Promise.all([book(hireOf(80, 82)), book(hireOf(81, 83)), book(hireOf(80, 81))]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  });
});

describe('the boats that can be had', () => {
  it('are those that nobody has, that fit, and the others with what stands in the way', async () => {
    await book(hireOf(100, 104));
    expect(await choiceOf('tuppenny-bun', 96, 99)).toMatchObject({ is: 'free', clashes: [], freeFrom: null, depositMinor: 25_000 });
    expect(await choiceOf('tuppenny-bun', 101, 102)).toMatchObject({
      is: 'taken',
      clashes: [{ is: 'overlaps', renter: 'Orla Pinnock', from: at(100) }],
      freeFrom: at(104.5),
    });
    expect(await choiceOf('tuppenny-bun', 98, 99.75)).toMatchObject({ is: 'tight', clashes: [{ is: 'tooTight', minutes: 15 }] });
    expect(await choiceOf('tuppenny-bun', 96, 99, 50)).toMatchObject({ is: 'tooSmall' });
  });

  it('count a boat that has not come back as away, and one that came in early as there', async () => {
    const { db } = quay.store;
    await db('hire')
      .where({ boat: 'tuppenny-bun', from: at(100) })
      .update({ state: 'out', castOffAt: at(100), cameInAt: at(101) });
    expect(await choiceOf('tuppenny-bun', 101.5, 103)).toMatchObject({ is: 'free' });
    const now = quay.clock.now.getTime();
    await db('hire')
      .where({ id: 'h-1001' })
      .update({ from: at(-600), to: at(-590), state: 'out', castOffAt: at(-600), cameInAt: null });
    const [from, to] = [new Date(now + 600_000).toISOString(), new Date(now + 7_200_000).toISOString()];
    const { json } = await hand.send('GET', `/bookings/choices?base=ossel-quay&from=${from}&to=${to}&people=2`);
    expect((json.boats as BoatChoice[]).find(({ id }) => id === 'tuppenny-bun')).toMatchObject({
      is: 'taken',
      clashes: [{ hire: 'h-1001' }],
    });
  });

  it('are none for a base that is not there', async () => {
    expect((await hand.send('GET', `/bookings/choices?base=nowhere&from=${at(1)}&to=${at(2)}&people=2`)).json.code).toBe('noBase');
  });
});

it('a hire is not made longer into the next one’s time, unless somebody insists on little time between', async () => {
  const mina = quay.client();
  await mina.signIn(MANAGER);
  const first = hireOf(200, 202);
  await book(first);
  await book(hireOf(206, 208));
  const until = (hours: number, insist?: boolean, version = 1) =>
    mina.send('PATCH', `/hires/${first.id}`, { to: at(hours), ...(insist ? { insist } : {}) }, { 'if-match': `"${version}"` });
  expect((await until(207)).json.code).toBe('boatTaken');
  expect((await until(205.75)).json).toMatchObject({ code: 'boatTight', figures: { minutes: 15 } });
  expect((await until(205.75, true)).status).toBe(200);
  expect((await until(203, false, 2)).status).toBe(200);
  expect((await until(207, true, 3)).json.code).toBe('boatTaken');
});
