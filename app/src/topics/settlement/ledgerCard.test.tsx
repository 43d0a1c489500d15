import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import type { Standing } from '@quay/core/settlement/correction';
import '../../i18n';
import * as api from '../../local/api';
import { asked as asking } from '../../testing/living';
import { heldOf, viewOf } from '../../testing/view';
import { LedgerCard } from './LedgerCard';
import { render } from '../../testing/render';

jest.mock('../../local/outbox/fetch', () => ({ fetchEvents: () => Promise.resolve() }));

type Payment = Extract<EventBody, { kind: 'paymentAnswered' }>;
const storedOf = (amountMinor: number): EventBody => ({ kind: 'depositAnswered', attempt: 'a', amountMinor, answer: 'authorised' });
const moved = (payment: string, what: Payment['what'], amountMinor: number, answer: Payment['answer'] = 'done'): EventBody => ({
  kind: 'paymentAnswered',
  payment,
  what,
  amountMinor,
  answer,
  ...(what === 'capture' || what === 'release' ? { of: 'a' } : {}),
});

const asked: { name: string; body: unknown; payment: string | undefined }[] = [];
let reply: { state: string; simulated: boolean; why?: string } | Error;
beforeEach(() => {
  asked.length = 0;
  reply = { state: 'done', simulated: true };
  jest.spyOn(api, 'call').mockImplementation(((
    endpoint: { name: string },
    { params, body }: { params: { payment?: string }; body?: unknown },
  ) => {
    asked.push({ name: endpoint.name, body, payment: params.payment });
    return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
  }) as unknown as typeof api.call);
});
afterEach(() => jest.restoreAllMocks());

/** The money of a hire whose statement came to so much. */
const show = (totalMinor: number, bodies: readonly EventBody[], settleNow = 0) => {
  const { view, entered } = viewOf(heldOf(bodies), 'in', 'helm');
  const standing = { line: { basis: [], amountMinor: totalMinor }, chargedMinor: totalMinor, open: false } as unknown as Standing;
  render(asking(<LedgerCard view={view} standings={[standing]} settleNow={settleNow} />));
  return entered;
};

describe('the money of a closed hire', () => {
  it('is settled with the terminal as long as something of it is held', async () => {
    show(8000, [storedOf(25_000)]);
    expect(screen.getByText('Still owed')).toBeTruthy();
    expect(screen.queryByTestId('charge-card')).toBeNull();
    fireEvent.click(screen.getByTestId('settle-money'));
    await waitFor(() => expect(asked.map(({ name }) => name)).toEqual(['settlePayments']));
  });

  it('is settled at once where it was closed a moment ago', async () => {
    show(8000, [storedOf(25_000)], 1);
    await waitFor(() => expect(asked.map(({ name }) => name)).toEqual(['settlePayments']));
  });

  it('once taken and let go is even, and asks for nothing more', () => {
    show(8000, [storedOf(25_000), moved('1', 'capture', 8000), moved('2', 'release', 17_000)]);
    expect(screen.getByText('Nothing is owed either way')).toBeTruthy();
    for (const id of ['settle-money', 'charge-card', 'paid-by-hand', 'back-by-hand']) expect(screen.queryByTestId(id)).toBeNull();
  });

  it('beyond what was held is taken by card or by hand, the same card asking twice being one', async () => {
    reply = new api.NoAnswer();
    const entered = show(30_000, [storedOf(25_000), moved('1', 'capture', 25_000)]);
    fireEvent.click(screen.getByTestId('charge-card'));
    await screen.findByText(/No way through to the quay/);
    fireEvent.click(screen.getByTestId('charge-card'));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked.map(({ name, body }) => [name, body])).toEqual([
      ['chargeCard', { amountMinor: 5000 }],
      ['chargeCard', { amountMinor: 5000 }],
    ]);
    expect(asked[0]!.payment).toBe(asked[1]!.payment);
    fireEvent.click(screen.getByTestId('paid-by-hand'));
    await waitFor(() => expect(entered).toMatchObject([{ kind: 'paidByHand', what: 'paid', amountMinor: 5000, how: 'cash' }]));
  });

  it('in doubt is said with its sum, and nothing else may be asked before the terminal has said', () => {
    show(30_000, [storedOf(25_000), moved('1', 'capture', 25_000, 'unknown')]);
    expect(screen.getByText('1 payment is in doubt')).toBeTruthy();
    expect(screen.getByText(/€250\.00/, { exact: false })).toBeTruthy();
    expect(screen.getByText('Ask the terminal again')).toBeTruthy();
    expect(screen.queryByTestId('charge-card')).toBeNull();
    expect(screen.queryByTestId('paid-by-hand')).toBeNull();
  });

  it('a terminal that declines says why, and the name of the next asking is another', async () => {
    reply = { state: 'declined', simulated: true, why: 'no cover' };
    show(30_000, [storedOf(25_000), moved('1', 'capture', 25_000)]);
    fireEvent.click(screen.getByTestId('charge-card'));
    expect(await screen.findByText('The terminal declines: no cover')).toBeTruthy();
    fireEvent.click(screen.getByTestId('charge-card'));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[0]!.payment).not.toBe(asked[1]!.payment);
  });

  it('taken in cash and more than is owed is given back by hand', async () => {
    const entered = show(8000, [{ kind: 'depositTaken', amountMinor: 25_000, how: 'cash' }]);
    expect(screen.getByText('Owed to the renter')).toBeTruthy();
    fireEvent.click(screen.getByTestId('back-by-hand'));
    await waitFor(() => expect(entered).toMatchObject([{ kind: 'paidByHand', what: 'givenBack', amountMinor: 17_000 }]));
  });
});
