import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import { settle } from '@quay/core/settlement/settle';
import '../../i18n';
import * as api from '../../local/api';
import * as hire from '../../local/hire';
import * as session from '../../local/session';
import { living } from '../../testing/living';
import { counted as count, idsOf, type Made, pack, sealed, soundPropeller } from '../../testing/view';
import { Statement } from './Statement';

jest.mock('../../local/hire', () => ({ useHire: jest.fn() }));
let mockHere: readonly unknown[] = [];
jest.mock('../../local/localDb', () => ({ eventsHere: () => Promise.resolve(mockHere) }));
jest.mock('../../local/session', () => ({ useMe: jest.fn() }));
jest.mock('../../local/outbox/deliver', () => ({ deliver: () => Promise.resolve() }));
jest.mock('../../local/outbox/fetch', () => ({ fetchEvents: () => Promise.resolve() }));
jest.mock('../photo/picture', () => ({ Picture: () => null }));
const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));
const mockSaid: { text: string; undo?: () => void }[] = [];
jest.mock('../../ui/controls/snack', () => ({ useSnack: () => (said: { text: string }) => mockSaid.push(said) }));

const SHA = 'a'.repeat(64);
const decided: EventBody = { kind: 'findingDecided', finding: 'count/fenders', decision: 'renters' };
const held: EventBody = { kind: 'depositAnswered', attempt: 'a', amountMinor: 25_000, answer: 'authorised' };
/** One fender short, and nothing else that anybody has to look at. */
const BACK: Made[] = [held, ...soundPropeller, count('out', 'fenders', 4), count('in', 'fenders', 3)];
const OPEN = sealed('in', BACK);
const READY: Made[] = [...OPEN, decided];
const CLOSED: Made[] = [...READY, { kind: 'closed', number: 12, statement: SHA, covers: idsOf(READY), root: SHA }];
const LINE = 'count/fenders';

const asked: { name: string; body: unknown }[] = [];
let reply: unknown;
beforeEach(() => {
  mockPush.mockReset();
  mockSaid.length = 0;
  asked.length = 0;
  reply = { comparisons: [] };
  jest.spyOn(api, 'call').mockImplementation(((endpoint: { name: string }, { body }: { body?: unknown } = {}) => {
    asked.push({ name: endpoint.name, body });
    return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
  }) as unknown as typeof api.call);
});
afterEach(() => jest.restoreAllMocks());

const show = (rows: readonly Made[], role: 'hand' | 'manager' = 'hand') => {
  jest
    .mocked(session.useMe)
    .mockReturnValue({ data: { staff: { id: role, name: role, role } } } as unknown as ReturnType<typeof session.useMe>);
  mockHere = rows;
  const shown = living(rows, 'in', 'gate', (drawn) => {
    jest.mocked(hire.useHire).mockReturnValue({ view: drawn, error: null, shut: false, refetch: () => undefined });
    return <Statement hireId="h-1001" />;
  });
  return { ...shown, statement: () => settle(shown.view().record, pack).statement };
};
const line = (statement: ReturnType<typeof settle>['statement']) => statement.lines.find(({ key }) => key === LINE)!;

/** Presses it and lets the seconds go by in which it could be taken back. */
const closeIt = async () => {
  fireEvent.click(screen.getByTestId('close-hire'));
  for (let s = 0; s < 5; s += 1) await act(() => jest.advanceTimersByTimeAsync(1000));
};
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('a statement', () => {
  it('says what closing takes before it moves, and can be taken back until then', async () => {
    show(READY);
    expect(screen.getByText('Close and take €38.00')).toBeTruthy();
    fireEvent.click(screen.getByTestId('close-hire'));
    await act(() => jest.advanceTimersByTimeAsync(3000));
    fireEvent.click(screen.getByTestId('undo-close'));
    await act(() => jest.advanceTimersByTimeAsync(10_000));
    expect(asked.map(({ name }) => name)).not.toContain('closeHire');
    expect(screen.getByTestId('close-hire')).toBeTruthy();
  });

  it('with a finding that nobody has decided leads back to it, and cannot be closed', () => {
    show(OPEN);
    expect(screen.queryByTestId('close-hire')).toBeNull();
    expect(screen.getAllByText('1 finding is undecided').length).toBeGreaterThan(0);
    // Nobody is told that there is nothing to settle before everything is decided.
    expect(screen.queryByText('Nothing to settle')).toBeNull();
    fireEvent.click(screen.getByText('Back to the findings'));
    expect(mockPush).toHaveBeenCalledWith('/hire/h-1001/compare');
  });

  it('before she is walked in says so', () => {
    show([...BACK, decided]);
    expect(screen.getByText('The return check is not signed yet.')).toBeTruthy();
    expect(screen.queryByTestId('close-hire')).toBeNull();
  });

  it('is closed with the sum that stands on it, and with as many events as this phone has seen', async () => {
    const { statement } = show(READY);
    expect(statement().totalMinor).toBe(3800);
    await closeIt();
    await waitFor(() => expect(asked.map(({ name }) => name)).toContain('closeHire'));
    expect(asked.find(({ name }) => name === 'closeHire')!.body).toEqual({ totalMinor: 3800, events: READY.length });
  });

  it('without signal says that closing needs the quay, and stays a draft', async () => {
    reply = new api.NoAnswer();
    show(READY);
    await closeIt();
    expect(await screen.findByText(/Closing needs the quay/)).toBeTruthy();
    expect(screen.getByText('Draft')).toBeTruthy();
    expect(screen.getByTestId('close-hire')).toBeTruthy();
  });

  it('that has changed meanwhile says so, and what else the quay refuses in words of its own', async () => {
    const refused = (code: string, figures = {}) => new api.Refused({ type: 'about:blank', status: 409, code, figures });
    reply = refused('changedMeanwhile');
    show(READY);
    await closeIt();
    expect(await screen.findByText('The record has changed meanwhile. Look again, then close.')).toBeTruthy();
    reply = refused('undecided', { lines: 'count/fenders' });
    await closeIt();
    expect(await screen.findByText('Something is still undecided: count/fenders.')).toBeTruthy();
    expect(screen.queryByText('The record has changed meanwhile. Look again, then close.')).toBeNull();
  });
});

describe('a line', () => {
  it('is agreed to, or not with a word why, and then only its part of the deposit stays', async () => {
    const { statement } = show(READY);
    fireEvent.click(screen.getByTestId(`accept-${LINE}`));
    await waitFor(() => expect(line(statement()).state).toBe('accepted'));
    fireEvent.click(screen.getByTestId(`dispute-${LINE}`));
    fireEvent.change(screen.getByTestId('word'), { target: { value: '  It was never there. ' } });
    fireEvent.click(screen.getByTestId('word-go'));
    await waitFor(() => expect(line(statement()).state).toBe('disputed'));
    expect(line(statement()).remark).toBe('It was never there.');
    expect(statement().deposit).toMatchObject({ capturedMinor: 0, stillHeldMinor: 3800, releasedMinor: 21_200 });
    expect(screen.getByText('Still held, disputed')).toBeTruthy();
  });

  it('that the renter has answered on their own phone is answered by nobody else', () => {
    show([...READY, { body: { kind: 'lineAnswered', line: LINE, answer: 'disputed', remark: 'No.' }, role: 'renter', device: 'd9' }]);
    expect(screen.queryByTestId(`accept-${LINE}`)).toBeNull();
    expect(screen.queryByTestId(`dispute-${LINE}`)).toBeNull();
  });

  it('is waived, or named another sum with the reason, by a manager only; undoing brings the list’s sum back', async () => {
    show(READY);
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    expect(screen.queryByTestId(`waive-${LINE}`)).toBeNull();
    expect(screen.queryByTestId(`quote-${LINE}`)).toBeNull();
    cleanup();

    const { statement } = show(READY, 'manager');
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    fireEvent.click(screen.getByTestId(`quote-${LINE}`));
    fireEvent.change(screen.getByTestId('quote-sum'), { target: { value: '12,50' } });
    fireEvent.click(screen.getByTestId('quote-go'));
    expect(line(statement()).amountMinor).toBe(3800);
    fireEvent.change(screen.getByTestId('quote-why'), { target: { value: 'An old one' } });
    fireEvent.click(screen.getByTestId('quote-go'));
    await waitFor(() => expect(line(statement()).amountMinor).toBe(1250));
    act(() => mockSaid.at(-1)!.undo!());
    expect(line(statement()).amountMinor).toBe(3800);
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    fireEvent.click(screen.getByTestId(`waive-${LINE}`));
    await waitFor(() => expect(statement().totalMinor).toBe(0));
    expect(line(statement()).state).toBe('waived');
  });

  it('of what the renter was never told about says so where its evidence is', () => {
    show(READY);
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    expect(screen.getAllByText(/never explained/).length).toBeGreaterThan(0);
    cleanup();
    const point = pack.book.points.find(({ price }) => price === 'fender')!.id;
    show([...sealed('in', [{ kind: 'pointBriefed', walk: 'out', point, how: 'said', language: 'en' }, ...BACK]), decided]);
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    expect(screen.queryByText(/never explained/)).toBeNull();
  });

  it('without a price stands open, is no zero, and keeps the hire from being closed', () => {
    const { statement } = show([
      ...READY,
      { kind: 'extraNoted', extra: 'x1', what: 'other', text: 'A rope round the shaft', photos: [] } as unknown as EventBody,
      { kind: 'findingDecided', finding: 'extra/x1', decision: 'renters' },
    ]);
    expect(statement().lines.find(({ key }) => key === 'extra/x1')!.amountMinor).toBeUndefined();
    expect(screen.queryByTestId('close-hire')).toBeNull();
    expect(screen.getByText('–')).toBeTruthy();
    expect(screen.getByText('A line has no price yet. A manager quotes it or waives it.')).toBeTruthy();
  });
});

describe('a closed statement', () => {
  it('has its number, and no line of it is changed any more', () => {
    show(CLOSED, 'manager');
    expect(screen.getByText('Statement 12')).toBeTruthy();
    for (const id of [`accept-${LINE}`, `dispute-${LINE}`, 'add-line', 'close-hire']) expect(screen.queryByTestId(id)).toBeNull();
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    for (const id of [`waive-${LINE}`, `quote-${LINE}`]) expect(screen.queryByTestId(id)).toBeNull();
  });

  it('is contested afterwards with a word, and then lies with a manager', async () => {
    const { entered } = show(CLOSED);
    fireEvent.click(screen.getByTestId(`evidence-${LINE}`));
    fireEvent.click(screen.getByTestId(`contest-${LINE}`));
    expect(screen.getByTestId('word-go')).toBeDisabled();
    fireEvent.change(screen.getByTestId('word'), { target: { value: 'We found it.' } });
    fireEvent.click(screen.getByTestId('word-go'));
    await waitFor(() => expect(entered).toEqual([{ kind: 'lineContested', line: LINE, remark: 'We found it.' }]));
    // A hand sees that it is open; only a manager decides it.
    expect(screen.getByText('not agreed')).toBeTruthy();
    expect(screen.queryByTestId(`decide-${LINE}`)).toBeNull();
    cleanup();
    show([...CLOSED, { kind: 'lineContested', line: LINE, remark: 'We found it.' }], 'manager');
    expect(screen.getByTestId(`decide-${LINE}`)).toBeTruthy();
  });
});
