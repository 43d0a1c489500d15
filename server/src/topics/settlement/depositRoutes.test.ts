import type { HireEvent } from '@quay/core/record/event';
import { migrations } from '../../platform/database/migrations/migrations';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

/** Each case has a hire of its own; all of them ask for this much or more. */
const HIRES = ['h-1001', 'h-1003', 'h-1008', 'h-1011', 'h-1012', 'h-1013', 'h-1014', 'h-1002', 'h-1004'];
let next = 0;
let HIRE = '';
const WHOLE = 12_000;
let quay: TestQuay;
let hand: Client;
let mina: Client;
beforeAll(async () => {
  quay = await testQuay();
  quay.integrations.cardTerminal.waitMs = 30;
  hand = await handOn(quay);
  mina = quay.client();
  await mina.signIn(MANAGER);
});
beforeEach(async () => {
  HIRE = HIRES[next++ % HIRES.length]!;
  await mode('works');
});
afterAll(() => quay.stop());

const mode = (name: string) => mina.send('POST', '/simulators/cardTerminal', { mode: name });
/** The terminal gives back by itself at that instant what it holds from here on. @returns how it holds as before */
const holdUntil = (expiresAt: string) => {
  const { cardTerminal } = quay.integrations;
  const asBefore = cardTerminal.hold.bind(cardTerminal);
  cardTerminal.hold = async (ask, again) => {
    const answer = await asBefore(ask, again);
    return answer.is === 'authorised' ? { ...answer, expiresAt } : answer;
  };
  return () => {
    cardTerminal.hold = asBefore;
  };
};
/** When what is held of this hire ends, as a manager is told it; nothing where that is late enough. */
const named = async () =>
  ((await mina.send('GET', '/attention')).json.matters as { hire: string; kind: string; at: string | null }[]).find(
    ({ hire, kind }) => hire === HIRE && kind === 'holdEnds',
  )?.at ?? null;
const hold = (attempt: string, amountMinor = WHOLE) => hand.send('POST', `/hires/${HIRE}/deposit/${attempt}`, { amountMinor });
/** What the record says of an asking, in order. */
const said = async (attempt: string) => {
  const { json } = await hand.send('GET', `/hires/${HIRE}/events`);
  return (json.events as { event: HireEvent }[]).flatMap(({ event: { body } }) =>
    body.kind === 'depositAnswered' && body.attempt === attempt ? [body.answer] : [],
  );
};

describe('a deposit at the card terminal', () => {
  it('is held once, however often the same asking comes, and says that the terminal is simulated', async () => {
    expect((await hold('a')).json).toEqual({ state: 'authorised', simulated: true });
    expect((await hold('a')).json).toEqual({ state: 'authorised', simulated: true });
    expect(await said('a')).toEqual(['unknown', 'authorised']);
    expect((await hold('b', 13_001)).json.code).toBe('moreThanWanted');
    expect((await hand.send('POST', `/hires/${HIRE}/deposit/a/release`, {})).json.state).toBe('released');
    expect((await hold('c')).json.state).toBe('authorised');
  });

  it('declined is written down, and another card may be tried', async () => {
    await mode('declines');
    expect((await hold('a')).json.state).toBe('declined');
    await mode('works');
    expect((await hold('b')).json.state).toBe('authorised');
  });

  it('is unknown while the terminal is silent; no second asking goes out until it has said what became of the first', async () => {
    await mode('silent');
    expect((await hold('held-inside')).json.state).toBe('unknown');
    const other = await hold('b');
    expect([other.status, other.json.code]).toEqual([409, 'openAsking']);
    expect((await hand.send('POST', `/hires/${HIRE}/deposit/held-inside/ask`, {})).json.state).toBe('unknown');
    await mode('works');
    const asked = (await hand.send('POST', `/hires/${HIRE}/deposit/held-inside/ask`, {})).json.state as string;
    // Whether it got through hangs on its name alone; either way the record says so and nothing else.
    expect(['authorised', 'declined']).toContain(asked);
    expect(await said('held-inside')).toEqual(['unknown', asked]);
  });

  it('never heard of by the terminal was not held, and may be asked for anew', async () => {
    await mode('silent');
    const names = Array.from({ length: 12 }, (_, i) => `n-${i}`);
    const outcomes: string[] = [];
    for (const name of names) {
      await mode('silent');
      await hold(name);
      await mode('works');
      const state = (await hand.send('POST', `/hires/${HIRE}/deposit/${name}/ask`, {})).json.state as string;
      outcomes.push(state);
      if (state === 'authorised') await hand.send('POST', `/hires/${HIRE}/deposit/${name}/release`, {});
    }
    expect(new Set(outcomes)).toEqual(new Set(['authorised', 'declined']));
  });

  it('answered twice is written down once', async () => {
    await mode('answersTwice');
    expect((await hold('a')).json.state).toBe('authorised');
    await new Promise((done) => setTimeout(done, 50));
    expect(await said('a')).toEqual(['unknown', 'authorised']);
  });

  it('said late, after the waiting, is heard', async () => {
    const { cardTerminal } = quay.integrations;
    const asBefore = cardTerminal.hold.bind(cardTerminal);
    cardTerminal.hold = () => new Promise((done) => setTimeout(() => done({ is: 'authorised', reference: 'late' }), 120));
    expect((await hold('a')).json.state).toBe('unknown');
    await new Promise((done) => setTimeout(done, 200));
    expect(await said('a')).toEqual(['unknown', 'authorised']);
    cardTerminal.hold = asBefore;
  });

  it('answered in two ways is not known', async () => {
    const { cardTerminal } = quay.integrations;
    const asBefore = cardTerminal.hold.bind(cardTerminal);
    cardTerminal.hold = (_, again) => {
      setTimeout(() => again({ is: 'declined', why: 'after all' }), 10);
      return Promise.resolve({ is: 'authorised', reference: 'x' });
    };
    expect((await hold('a')).json.state).toBe('authorised');
    await new Promise((done) => setTimeout(done, 80));
    expect(await said('a')).toEqual(['unknown', 'authorised', 'unknown']);
    cardTerminal.hold = asBefore;
  });

  it('held not long enough is named to a manager, and held anew before the old holding is let go', async () => {
    const before = new Date(quay.clock.now.getTime() + 20 * 3_600_000).toISOString();
    const asBefore = holdUntil(before);
    expect((await hold('old')).json.state).toBe('authorised');
    expect(await named()).toBe(before);
    // Nothing ends of a holding that is not there: more than the deposit is not held.
    const anew = (instead: string) => hand.send('POST', `/hires/${HIRE}/deposit/new`, { amountMinor: WHOLE, instead });
    expect((await anew('older')).json.code).toBe('moreThanWanted');
    await mode('declines');
    asBefore();
    const usual = holdUntil('2026-12-24T12:00:00.000Z');
    const declined = await hand.send('POST', `/hires/${HIRE}/deposit/another-card`, { amountMinor: WHOLE, instead: 'old' });
    expect([declined.json.state, await said('old')]).toEqual(['declined', ['unknown', 'authorised']]);
    await mode('works');
    expect((await anew('old')).json.state).toBe('authorised');
    expect([await said('new'), await said('old')]).toEqual([
      ['unknown', 'authorised'],
      ['unknown', 'authorised', 'released'],
    ]);
    expect((await anew('old')).json.state).toBe('authorised');
    expect(await said('old')).toHaveLength(3);
    expect(await named()).toBeNull();
    usual();
  });

  it('held by an installation from before anybody watched for its end is named once that is brought up to date', async () => {
    const ends = new Date(quay.clock.now.getTime() + 20 * 3_600_000).toISOString();
    const usual = holdUntil(ends);
    expect((await hold('a')).json.state).toBe('authorised');
    usual();
    const { db } = quay.store;
    // As it stood before: all its events read, and no column for it.
    await db.raw('drop index hire_hold');
    await db.raw('alter table hire drop column "holdEndsAt"');
    await db('knex_migrations').where({ name: '007-holdings' }).delete();
    await db.migrate.latest({ migrationSource: migrations });
    expect(await named()).toBe(ends);
  });

  it('is nobody’s to ask for but staff’s, and for no hire that is not there', async () => {
    expect((await hand.send('POST', '/hires/h-9999/deposit/a', { amountMinor: 1 })).json.code).toBe('noSuchHire');
    expect((await hand.send('POST', `/hires/${HIRE}/deposit/none/ask`, {})).json.code).toBe('noSuchAsking');
    expect((await hold('a', 0)).status).toBe(400);
  });
});

it('without a terminal nothing is held, and it says so', async () => {
  const bare = await testQuay({ simulated: false });
  const there = await handOn(bare);
  expect((await there.send('POST', '/hires/h-1001/deposit/a', { amountMinor: 1 })).json).toEqual({ state: 'none', simulated: false });
  await bare.stop();
});
