import type { ReplyOf } from '@quay/contract/endpoint';
import type { getOperator } from '@quay/contract/operator';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import { project } from '@quay/core/record/project';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { type Client, eventOf, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

/** Figures of a refusal. */
const figuresOf = (json: Record<string, unknown>) => (json.figures ?? {}) as Record<string, string | number | undefined>;

const HIRE = 'h-1001';
const HELD = 25_000;
let quay: TestQuay;
let hand: Client;
let mina: Client;
let device: string;
const signIn = async () => {
  hand = await handOn(quay);
  mina = quay.client();
  await mina.signIn(MANAGER);
  device = ((await hand.send('GET', '/session')).json.device as { id: string }).id;
};
beforeEach(async () => {
  quay = await testQuay();
  quay.integrations.cardTerminal.waitMs = 30;
  await signIn();
});
afterEach(() => quay.stop());

const mode = (name: string) => mina.send('POST', '/simulators/cardTerminal', { mode: name });
const append = async (...bodies: EventBody[]) => {
  const events = bodies.map((body) => eventOf(HIRE, device, body));
  const { json } = await hand.send('POST', `/hires/${HIRE}/events`, { sentAt: quay.clock.now.toISOString(), events });
  expect(json.refused).toEqual([]);
  return events.map(({ id }) => id);
};
const events = async () => (await hand.send('GET', `/hires/${HIRE}/events`)).json.events as StoredHireEvent[];
const ledger = async (total: number) => ledgerOf(project(await events()), total);
const settle = async () => (await hand.send('POST', `/hires/${HIRE}/payments/settle`, {})).json;
const sealed = (walk: 'out' | 'in', covers: string[]): EventBody => ({
  kind: 'sealed',
  walk,
  covers,
  photos: [],
  previous: null,
  root: 'a'.repeat(64),
  signature: 'none',
  key: 'b'.repeat(64),
});
const count = (walk: 'out' | 'in', number: number): EventBody => ({
  kind: 'counted',
  walk,
  fitting: 'fenders',
  count: number,
  state: 'fine',
});

/** Out with four fenders and the deposit held, back with so many; closed as it comes to. */
const closed = async (back: number, ...more: EventBody[]) => {
  expect((await hand.send('POST', `/hires/${HIRE}/deposit/a`, { amountMinor: HELD })).json.state).toBe('authorised');
  const out = await append({ kind: 'walkStarted', walk: 'out' }, count('out', 4));
  await append(sealed('out', out), { kind: 'castOff' });
  const walk = await append({ kind: 'cameIn' }, { kind: 'walkStarted', walk: 'in' }, count('in', back));
  await append(sealed('in', [...out, ...walk]));
  const close = async (totalMinor: number) =>
    (await hand.send('POST', `/hires/${HIRE}/close`, { totalMinor, events: (await events()).length })).json;
  const keys = String(figuresOf(await close(0)).lines ?? '')
    .split(', ')
    .filter(Boolean);
  await append(
    ...keys.map((finding): EventBody => ({ kind: 'findingDecided', finding, decision: finding === 'count/fenders' ? 'renters' : 'known' })),
    ...more,
  );
  const total = Number(figuresOf(await close(-1)).totalMinor);
  const done = await close(total);
  expect(done.number).toBeGreaterThan(0);
  return { number: done.number as number, total };
};

const lateOrProposed = async () =>
  ((await mina.send('GET', '/attention')).json.matters as { hire: string; kind: string }[]).filter(
    ({ hire, kind }) => hire === HIRE && (kind === 'late' || kind === 'proposed'),
  );

describe('the money of a closed hire', () => {
  it('is taken once from what is held, and the rest goes back, however often it is asked for', async () => {
    expect(await settle()).toMatchObject({ code: 'notClosed' });
    const { total } = await closed(3);
    expect(total).toBe(3800);
    expect(await settle()).toEqual({ state: 'done', simulated: true });
    expect(await settle()).toEqual({ state: 'done', simulated: true });
    const then = await ledger(total);
    expect(then).toMatchObject({ capturedMinor: 3800, releasedMinor: HELD - 3800, stillHeldMinor: 0, balanceMinor: 0, inDoubt: [] });
    const said = (await events()).filter(({ event: { body } }) => body.kind === 'paymentAnswered' && body.answer === 'done');
    expect(said).toHaveLength(2);
  });

  it('in doubt is said to be in doubt until the terminal says, and then moved no second time', async () => {
    const { total } = await closed(2);
    await mode('silent');
    expect((await settle()).state).toBe('inDoubt');
    expect((await ledger(total)).inDoubt).toMatchObject([{ what: 'capture', amountMinor: 7600 }]);
    expect((await hand.send('POST', `/hires/${HIRE}/payments/x/charge`, { amountMinor: 100 })).json.code).toBe('inDoubt');
    expect((await settle()).state).toBe('inDoubt');
    await mode('works');
    expect((await settle()).state).toBe('done');
    expect(await ledger(total)).toMatchObject({ capturedMinor: 7600, releasedMinor: HELD - 7600, balanceMinor: 0, inDoubt: [] });
  });

  it('given back by itself before the end is owed, and paid by card or by hand', async () => {
    const { total } = await closed(3);
    await mode('expires');
    expect((await settle()).state).toBe('done');
    expect(await ledger(total)).toMatchObject({ expiredMinor: HELD, capturedMinor: 0, balanceMinor: 3800 });
    await mode('declines');
    expect((await hand.send('POST', `/hires/${HIRE}/payments/a/charge`, { amountMinor: 3000 })).json).toMatchObject({
      state: 'declined',
      why: 'no cover',
    });
    await mode('works');
    expect((await hand.send('POST', `/hires/${HIRE}/payments/b/charge`, { amountMinor: 3801 })).json.code).toBe('moreThanOwed');
    for (let again = 0; again < 2; again += 1)
      expect((await hand.send('POST', `/hires/${HIRE}/payments/c/charge`, { amountMinor: 3000 })).json.state).toBe('done');
    await append({ kind: 'paidByHand', payment: 'd', what: 'paid', amountMinor: 800, how: 'cash' });
    // What the terminal said after the closing is the quay’s own word, and nobody’s proposal.
    expect(await lateOrProposed()).toEqual([]);
    expect(await ledger(total)).toMatchObject({ paidMinor: 3800, balanceMinor: 0 });
  });

  it('without a terminal is said to be nobody’s to take', async () => {
    await closed(3);
    quay.integrations.cardTerminal.pay = () => Promise.resolve({ is: 'none' });
    expect((await settle()).state).toBe('none');
  });
});

describe('a closed statement put right', () => {
  const correct = (seen: number, lines: [string, number][], client = mina) =>
    client.send('POST', `/hires/${HIRE}/corrections`, {
      seen,
      lines: lines.map(([line, amountMinor]) => ({ line, amountMinor })),
      why: 'talked it over',
    });

  it('keeps what is disputed, goes to the manager’s desk, and is settled in part by a statement that refers to it', async () => {
    const { number, total } = await closed(2, {
      kind: 'lineDecided',
      line: 'count/fenders',
      state: 'disputed',
      note: 'one was never there',
    });
    expect(total).toBe(0);
    await settle();
    expect(await ledger(0)).toMatchObject({ stillHeldMinor: 7600, releasedMinor: HELD - 7600 });
    expect((await mina.send('GET', '/disputes')).json.disputes).toMatchObject([
      { hire: HIRE, number: String(number), lines: 1, openMinor: 7600, remarks: ['one was never there'] },
    ]);
    expect((await correct(number, [['count/fenders', 3800]], hand)).status).toBe(403);
    expect((await correct(number, [['count/fenders', 7601]])).json).toMatchObject({
      code: 'doesNotStand',
      figures: { lines: 'count/fenders: overClaim' },
    });
    expect((await correct(number, [['count/fenders', 3800]])).json.number).toBe(number + 1);
    expect((await correct(number, [['count/fenders', 1]])).json.code).toBe('changedMeanwhile');
    expect((await mina.send('GET', '/disputes')).json.disputes).toEqual([]);
    expect((await settle()).state).toBe('done');
    expect(await ledger(3800)).toMatchObject({ capturedMinor: 3800, releasedMinor: HELD - 3800, stillHeldMinor: 0, balanceMinor: 0 });
    const pdf = await mina.send('GET', `/hires/${HIRE}/statement.pdf?number=${number + 1}`);
    expect([pdf.status, pdf.headers.get('content-disposition')]).toEqual([200, `inline; filename="statement-${number + 1}.pdf"`]);
    expect((await mina.send('GET', `/hires/${HIRE}/statement.pdf?number=99`)).json.code).toBe('noSuchStatement');
  });

  it('have what the operator put before their numbers, and keep it when it becomes another', async () => {
    const prefixed = async (statementPrefix: string) => {
      const { name, settings, version } = (await mina.send('GET', '/operator')).json as unknown as ReplyOf<typeof getOperator>;
      return mina.send('PATCH', '/operator', { name, ...settings, statementPrefix }, { 'if-match': `"${version}"` });
    };
    expect((await prefixed('OS#')).json.code).toBe('doesNotFit');
    expect((await prefixed('OS/26-')).status).toBe(200);
    const { number } = await closed(2);
    await append({ kind: 'lineContested', line: 'count/fenders', remark: 'found under the seat' });
    expect((await prefixed('')).status).toBe(200);
    expect((await mina.send('GET', '/disputes')).json.disputes).toMatchObject([{ number: `OS/26-${number}` }]);
    expect((await correct(number, [['count/fenders', -7600]])).status).toBe(200);
    expect((await events()).at(-1)!.event.body).toMatchObject({ kind: 'corrected', prefix: 'OS/26-', corrects: number });
    const csv = (await mina.bytes('/statements.csv')).toString();
    expect(csv).toContain(`\nOS/26-${number},`);
    expect(csv).toContain(`\nOS/26-${number + 1},OS/26-${number},`);
    const found = async (text: string) =>
      ((await mina.send('GET', `/hires?find=${encodeURIComponent(text)}`)).json.hires as { id: string }[]).map(({ id }) => id);
    expect(await found(`OS/26-${number}`)).toEqual([HIRE]);
    expect(await found(`XX/26-${number}`)).toEqual([]);
  });

  it('gives back to the card what was taken too much', async () => {
    const { number } = await closed(2);
    await settle();
    await append({ kind: 'lineContested', line: 'count/fenders', remark: 'found under the seat' });
    expect((await mina.send('GET', '/disputes')).json.disputes).toMatchObject([{ lines: 1, remarks: ['found under the seat'] }]);
    expect((await correct(number, [['count/fenders', -7600]])).status).toBe(200);
    expect((await settle()).state).toBe('done');
    expect(await ledger(0)).toMatchObject({ capturedMinor: 7600, refundedMinor: 7600, balanceMinor: 0 });
    // Nothing of it is a late entry or a proposal.
    expect(await lateOrProposed()).toEqual([]);
  });

  it('stands in the figures and in the table for the books, each number once', async () => {
    const { number } = await closed(2, { kind: 'lineDecided', line: 'count/fenders', state: 'disputed' });
    await correct(number, [['count/fenders', 1000]]);
    const month = quay.clock.now.toISOString().slice(0, 7);
    const { json } = await mina.send('GET', '/figures');
    expect(json).toMatchObject({
      currency: 'EUR',
      figures: [{ month, name: 'Tuppenny Bun', hires: 1, lost: 1000, damage: 0, disputed: 7600, disputes: 1 }],
    });
    expect((await mina.send('GET', `/figures?to=2000-01-01`)).json.figures).toEqual([]);
    const cookie = [...mina.cookies].map(([k, v]) => `${k}=${v}`).join('; ');
    const text = await (await fetch(`${quay.base}/api/statements.csv`, { headers: { cookie } })).text();
    const rows = text
      .trim()
      .split('\r\n')
      .map((row) => row.split(','));
    expect(rows[0]!.slice(0, 3)).toEqual(['number', 'corrects', 'closed']);
    expect([...new Set(rows.slice(1).map(([n, of]) => `${n}/${of}`))]).toEqual([`${number}/`, `${number + 1}/${number}`]);
    expect(text).toContain('Fender');
    expect((await (await fetch(`${quay.base}/api/figures.csv`, { headers: { cookie } })).text()).split('\r\n')[1]).toMatch(
      new RegExp(`^${month},Tuppenny Bun,1,0,0,10,`),
    );
    expect((await hand.send('GET', '/figures')).status).toBe(403);
  });

  it('is counted to the day it was closed on at its base, and not to that of another clock', async () => {
    // A quarter past midnight on the first of July, where the boats lie.
    quay.clock.now = new Date('2026-06-30T23:15:00.000Z');
    await signIn();
    await closed(3, { kind: 'lineDecided', line: 'count/fenders', state: 'accepted' });
    const figures = async (span: string) =>
      ((await mina.send('GET', `/figures?${span}`)).json.figures as { month: string }[]).map(({ month }) => month);
    expect(await figures('')).toEqual(['2026-07']);
    expect(await figures('from=2026-07-01&to=2026-07-01')).toEqual(['2026-07']);
    expect(await figures('to=2026-06-30')).toEqual([]);
  });

  it('read from events that were taken one by one is the same as from all at once', async () => {
    const { number } = await closed(2, { kind: 'lineDecided', line: 'count/fenders', state: 'disputed' });
    await correct(number, [['count/fenders', 0]]);
    const all = await events();
    const kinds = all.map(({ event }: StoredHireEvent) => event.body.kind);
    expect(kinds).toContain('corrected');
    expect(project([...all].reverse())).toEqual(project(all));
  });
});

describe('what a renter says of a line', () => {
  it('is theirs: nobody of the quay says it, replaces it or takes it back; only a manager waives', async () => {
    const { json } = await hand.send('POST', `/hires/${HIRE}/links`, {});
    const renter = quay.client();
    const opened = await renter.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
    const phone = (opened.json.device as { id: string }).id;
    const send = async (client: Client, event: HireEvent, headers: Record<string, string> = {}) => {
      const body = { sentAt: quay.clock.now.toISOString(), events: [event] };
      const answer = await client.send('POST', `/hires/${HIRE}/events`, body, headers);
      return { id: event.id, refused: (answer.json.refused as { detail: string }[]).map(({ detail }) => detail) };
    };
    const disputed = eventOf(HIRE, phone, { kind: 'lineAnswered', line: 'late', answer: 'disputed', remark: 'the lock was shut' });
    const said = await send(renter, disputed, { 'x-quay-renter': HIRE });
    expect(said.refused).toEqual([]);
    const mine = (body: EventBody, more: Partial<HireEvent> = {}) => send(hand, eventOf(HIRE, device, body, more));
    expect((await mine({ kind: 'lineAnswered', line: 'late', answer: 'accepted' })).refused).toEqual(['a hand does not add lineAnswered']);
    const over = ['nobody takes back what the renter said of a line'];
    expect((await mine({ kind: 'undone' }, { replaces: [said.id] })).refused).toEqual(over);
    expect((await mine({ kind: 'lineDecided', line: 'late', state: 'accepted' }, { replaces: [said.id] })).refused).toEqual(over);
    expect((await mine({ kind: 'lineDecided', line: 'late', state: 'waived' })).refused).toEqual(['a hand does not add lineDecided']);
    expect((await mine({ kind: 'lineDecided', line: 'late', state: 'accepted' })).refused).toEqual([]);
    // The renter may think better of it.
    const back = eventOf(HIRE, phone, { kind: 'undone' }, { replaces: [said.id] });
    expect((await send(renter, back, { 'x-quay-renter': HIRE })).refused).toEqual([]);
  });
});
