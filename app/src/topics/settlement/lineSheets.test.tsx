import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import type { Standing } from '@quay/core/settlement/correction';
import { settle } from '@quay/core/settlement/settle';
import '../../i18n';
import * as api from '../../local/api';
import { asked, living } from '../../testing/living';
import { heldOf, pack, viewOf } from '../../testing/view';
import { AddLineSheet } from './AddLineSheet';
import { CorrectSheet } from './CorrectSheet';
import { render } from '../../testing/render';

jest.mock('../../local/outbox/fetch', () => ({ fetchEvents: () => Promise.resolve() }));
jest.mock('../photo/picture', () => ({ Picture: () => null }));

/** Presses, and waits for what a form does about it. */
const press = (id: string) =>
  act(async () => {
    fireEvent.click(screen.getByTestId(id));
    await new Promise((done) => setTimeout(done));
  });
const type = (id: string, text: string) => fireEvent.change(screen.getByTestId(id), { target: { value: text } });

describe('a line that is added', () => {
  const PRICES = [
    ...pack.prices.prices,
    { code: 'call-out', name: { en: 'Call-out' }, per: 'job', amountMinor: 9000, taxBp: 2000 },
    { code: 'breach', name: { en: 'Breach of the rules' }, per: 'job', amountMinor: 15_000, taxBp: 0 },
    { code: 'tow', name: { en: 'Tow home' }, per: 'job', amountMinor: 12_000, taxBp: 2000 },
  ] as typeof pack.prices.prices;
  const show = (prices: Partial<typeof pack.prices> = {}) => {
    const closed = jest.fn();
    const shown = living([], 'in', 'helm', (view) => (
      <AddLineSheet view={{ ...view, pack: { ...pack, prices: { ...pack.prices, prices: PRICES, ...prices } } }} onClose={closed} />
    ));
    return { ...shown, closed };
  };

  it('takes the usual price of its kind, and is not added before somebody says what it is about', async () => {
    const { entered, closed } = show();
    expect(screen.getByTestId('add-go')).toBeDisabled();
    await press('add-callOut');
    await press('add-go');
    expect(entered).toEqual([]);
    expect(screen.getByText('A word about it is wanted.')).toBeTruthy();
    type('add-text', '  Aground on the bar ');
    await press('add-go');
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(entered).toMatchObject([{ kind: 'extraNoted', what: 'callOut', price: 'call-out', text: 'Aground on the bar', photos: [] }]);
    expect(entered[0]).not.toHaveProperty('amountMinor');
  });

  it('is found in the list by a part of its name, or has a sum of its own', async () => {
    const { entered } = show();
    await press('add-other');
    type('add-find', 'tow');
    expect(screen.queryByTestId('price-fender')).toBeNull();
    await press('price-tow');
    await press('price-freely');
    type('add-text', 'A rope to the yard');
    type('add-sum', '0');
    await press('add-go');
    expect(entered).toEqual([]);
    type('add-sum', '14,20');
    await press('add-go');
    await waitFor(() => expect(entered).toMatchObject([{ kind: 'extraNoted', what: 'other', amountMinor: 1420 }]));
    expect(entered[0]).not.toHaveProperty('price');
  });

  it('that is a receipt is what the renter paid, and never a row of the list', async () => {
    const { entered, view } = show();
    await press('add-pumpOut');
    expect(screen.queryByTestId('price-freely')).toBeNull();
    type('add-sum', '18.00');
    type('add-text', 'Pump-out at the lock');
    await press('add-go');
    await waitFor(() => expect(entered).toMatchObject([{ kind: 'receiptShown', what: 'pumpOut', amountMinor: 1800 }]));
    // Given back to them.
    const [line] = settle(view().record, pack).statement.lines.filter(({ finding }) => finding.topic === 'receipt');
    expect(line?.amountMinor).toBe(-1800);
  });

  it.each(['wholeDeposit', 'warning'] as const)('that is a breach under a clause (%s) asks for no sum', async (breach) => {
    const { entered } = show({ breach });
    await press('add-breach');
    expect(screen.queryByTestId('add-sum')).toBeNull();
    expect(screen.queryByTestId('price-breach')).toBeNull();
    type('add-text', 'Under way after dark');
    await press('add-go');
    await waitFor(() => expect(entered).toHaveLength(1));
    expect(entered[0]).toMatchObject({ kind: 'extraNoted', what: 'breach' });
    expect(entered[0]).not.toHaveProperty('price');
    expect(entered[0]).not.toHaveProperty('amountMinor');
  });

  it('says that a sum cannot be read', async () => {
    const { entered } = show();
    await press('add-otherReceipt');
    type('add-text', 'Ice');
    for (const sum of ['ten', '-4', '1.234']) {
      type('add-sum', sum);
      await press('add-go');
      expect(entered).toEqual([]);
      expect(screen.getByText('A sum above nothing.')).toBeTruthy();
    }
  });
});

describe('a closed line put right', () => {
  const calls: unknown[] = [];
  let reply: unknown;
  beforeEach(() => {
    calls.length = 0;
    reply = { number: 13 };
    jest.spyOn(api, 'call').mockImplementation(((_: unknown, { body }: { body: unknown }) => {
      calls.push(body);
      return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
    }) as unknown as typeof api.call);
  });
  afterEach(() => jest.restoreAllMocks());

  const rows: EventBody[] = [
    { kind: 'counted', walk: 'out', fitting: 'fenders', count: 4, state: 'fine' },
    { kind: 'counted', walk: 'in', fitting: 'fenders', count: 2, state: 'fine' },
    { kind: 'findingDecided', finding: 'count/fenders', decision: 'renters' },
  ];
  const show = (more: Partial<Standing> = {}) => {
    const { view } = viewOf(heldOf(rows), 'in', 'helm');
    const line = settle(view.record, pack).statement.lines.find(({ key }) => key === 'count/fenders')!;
    const standing: Standing = { line, chargedMinor: 0, mostMinor: 7600, open: true, remark: 'One was never there.', ...more };
    const done = jest.fn();
    render(asked(<CorrectSheet view={view} standing={standing} last={12} prefix={undefined} onDone={done} onClose={() => undefined} />));
    return done;
  };

  it('charges what is named beyond what is charged, with the reason, and refers to the last statement', async () => {
    const done = show();
    expect(screen.getByText(/One was never there/)).toBeTruthy();
    await press('shall-3800');
    await press('correct-go');
    expect(calls).toEqual([]);
    expect(screen.getByText('A word about it is wanted.')).toBeTruthy();
    type('correct-why', ' One each ');
    await press('correct-go');
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(calls).toEqual([{ seen: 12, lines: [{ line: 'count/fenders', amountMinor: 3800 }], why: 'One each' }]);
  });

  it('credits what was charged too much', async () => {
    show({ chargedMinor: 7600, open: false });
    type('shall', '50');
    type('correct-why', 'Half of it');
    await press('correct-go');
    await waitFor(() => expect(calls).toMatchObject([{ lines: [{ amountMinor: -2600 }] }]));
  });

  it('never comes to more than was claimed, to less than nothing, or to what it is already', async () => {
    show({ chargedMinor: 3800, open: false });
    type('correct-why', 'So it is');
    for (const sum of ['76.01', '-1', '', 'much']) {
      type('shall', sum);
      await press('correct-go');
      expect(calls).toEqual([]);
      expect(screen.getByText('From nothing to €76.00.')).toBeTruthy();
    }
    type('shall', '38');
    expect(screen.getByTestId('correct-go')).toBeDisabled();
    type('shall', '76');
    await press('correct-go');
    await waitFor(() => expect(calls).toHaveLength(1));
  });

  it('stays open with what was typed where the quay is not reached, or has another one meanwhile', async () => {
    reply = new api.NoAnswer();
    const done = show();
    await press('shall-0');
    type('correct-why', 'Not theirs');
    await press('correct-go');
    expect(await screen.findByText(/Closing needs the quay/)).toBeTruthy();
    reply = new api.Refused({ type: 'about:blank', status: 409, code: 'changedMeanwhile' } as never);
    await press('correct-go');
    expect(await screen.findByText(/Somebody changed this meanwhile/)).toBeTruthy();
    expect(screen.getByTestId('correct-why')).toHaveValue('Not theirs');
    expect(done).not.toHaveBeenCalled();
  });
});
