import { fireEvent, screen, waitFor } from '@testing-library/react';
import { depositOf } from '@quay/core/settlement/deposit';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import * as api from '../../local/api';
import { asked as asking } from '../../testing/living';
import { heldOf, pack, viewOf } from '../../testing/view';
import { DepositSheet, EndingNotice } from './DepositSheet';
import { render } from '../../testing/render';

jest.mock('../../local/outbox/fetch', () => ({ fetchEvents: () => Promise.resolve() }));

const NOW = Date.parse('2026-06-13T10:00:00.000Z');
const WHOLE = 25_000;
type Answer = Extract<EventBody, { kind: 'depositAnswered' }>['answer'];
const answered = (attempt: string, answer: Answer, more: { expiresAt?: string; amountMinor?: number; why?: string } = {}): EventBody => ({
  kind: 'depositAnswered',
  attempt,
  amountMinor: WHOLE,
  answer,
  ...more,
});

const asked: { path: string; attempt: string; body: unknown }[] = [];
let reply: { state: string; simulated: boolean } | Error;
beforeEach(() => {
  asked.length = 0;
  reply = { state: 'authorised', simulated: true };
  jest.useFakeTimers({ now: NOW, doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  jest.spyOn(api, 'call').mockImplementation(((
    endpoint: { name: string },
    { params, body }: { params: { attempt: string }; body: unknown },
  ) => {
    asked.push({ path: endpoint.name, attempt: params.attempt, body });
    return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
  }) as unknown as typeof api.call);
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

const show = (bodies: readonly EventBody[], to = pack.hire.to) => {
  const { view, entered } = viewOf(heldOf(bodies), 'out', 'helm');
  const mine = { ...view, pack: { ...pack, hire: { ...pack.hire, to } } };
  const deposit = depositOf(view.record, WHOLE);
  render(asking(<DepositSheet view={mine} deposit={deposit} onClose={() => undefined} />));
  return { entered, view: mine };
};

describe('a deposit on a card', () => {
  it('is held for what is missing, under one name as long as nobody knows what became of it', async () => {
    reply = new api.NoAnswer();
    show([answered('a', 'authorised', { amountMinor: 10_000 })]);
    fireEvent.click(screen.getByTestId('deposit-hold'));
    await screen.findByText(/No way through to the quay/);
    fireEvent.click(screen.getByTestId('deposit-hold'));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked.map(({ path, body }) => [path, body])).toEqual([
      ['holdDeposit', { amountMinor: 15_000 }],
      ['holdDeposit', { amountMinor: 15_000 }],
    ]);
    expect(new Set(asked.map(({ attempt }) => attempt)).size).toBe(1);
  });

  it('that nobody has answered for is only asked about', async () => {
    show([answered('a', 'unknown')]);
    expect(screen.queryByTestId('deposit-hold')).toBeNull();
    fireEvent.click(screen.getByTestId('deposit-ask'));
    await waitFor(() => expect(asked).toMatchObject([{ path: 'askDeposit', attempt: 'a' }]));
  });

  it('may be taken by hand instead, for what is missing', async () => {
    const { entered } = show([answered('a', 'declined', { why: 'no cover' })]);
    expect(screen.getByText(/Declined: no cover/)).toBeTruthy();
    fireEvent.click(screen.getByTestId('deposit-cash'));
    await waitFor(() => expect(entered).toEqual([{ kind: 'depositTaken', amountMinor: WHOLE, how: 'cash' }]));
  });
});

describe('a holding that ends', () => {
  const inHours = (hours: number) => new Date(NOW + hours * 3_600_000).toISOString();
  const weeks = inHours(14 * 24);

  it('long before the boat is back is said, and needs nothing yet', () => {
    show([answered('a', 'authorised', { expiresAt: inHours(7 * 24) })], weeks);
    expect(screen.getByText(/are held only until .*, before the boat is back/)).toBeTruthy();
    expect(screen.getByTestId('deposit-done')).toBeTruthy();
    expect(screen.getByTestId('deposit-anew')).toBeTruthy();
  });

  it('within a day is held anew first of all, instead of the old one', async () => {
    show([answered('a', 'authorised', { expiresAt: inHours(20) })], weeks);
    expect(screen.queryByTestId('deposit-done')).toBeNull();
    fireEvent.click(screen.getByTestId('deposit-anew'));
    await waitFor(() => expect(asked).toMatchObject([{ path: 'holdDeposit', body: { amountMinor: WHOLE, instead: 'a' } }]));
    expect(asked[0]!.attempt).not.toBe('a');
  });

  it('is over only when the terminal says so', async () => {
    reply = { state: 'expired', simulated: true };
    show([answered('a', 'authorised', { expiresAt: inHours(-1) })], weeks);
    expect(screen.getByText(/were held until/)).toBeTruthy();
    fireEvent.click(screen.getByTestId('deposit-ask-over'));
    await waitFor(() => expect(asked).toMatchObject([{ path: 'askDeposit', attempt: 'a' }]));
  });

  it('not before the boat is back, or not at all, is no word worth', () => {
    const { view } = viewOf(heldOf([answered('a', 'authorised', { expiresAt: weeks })]), 'out', 'helm');
    const { container } = render(<EndingNotice view={view} />);
    expect(container.textContent).toBe('');
  });

  it('held twice, the older one wants letting go of', () => {
    show([answered('a', 'authorised'), answered('b', 'authorised')]);
    expect(screen.getByText(/€250\.00 more are held than asked for/)).toBeTruthy();
  });
});
