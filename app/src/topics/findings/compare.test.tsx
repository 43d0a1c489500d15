import type { Finding } from '@quay/core/findings/finding';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import { settle } from '@quay/core/settlement/settle';
import '../../i18n';
import * as api from '../../local/api';
import * as hire from '../../local/hire';
import * as session from '../../local/session';
import * as browser from '../../platform/browser';
import { living } from '../../testing/living';
import { counted as count, idsOf, type Made, pack, soundPropeller } from '../../testing/view';
import { Compare } from './Compare';

jest.mock('../../local/hire', () => ({ useHire: jest.fn() }));
jest.mock('../../local/session', () => ({ useMe: jest.fn() }));
jest.mock('../../platform/browser', () => ({
  ...jest.requireActual<object>('../../platform/browser'),
  onKey: jest.fn(),
  rememberedChoice: jest.fn(),
}));
jest.mock('../../platform/zoom', () => ({ Zoomable: () => null }));
jest.mock('../photo/picture', () => ({ Picture: () => null }));
const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));
const mockSaid: { text: string; undo?: () => void }[] = [];
jest.mock('../../ui/controls/snack', () => ({ useSnack: () => (said: { text: string }) => mockSaid.push(said) }));

const looked = (walk: Walk): EventBody => ({ kind: 'surfaceSeen', walk, surface: 'port-side', photos: [] });
const SCRATCH = '018f0000-0000-7000-8000-00000000000a';
const scratch: EventBody = {
  kind: 'markPlaced',
  walk: 'in',
  mark: { id: SCRATCH, surface: 'port-side', x: 0.3, y: 0.5, kind: 'scratch', sizeMm: 120, photos: [] },
};
/** A fender is missing and there is a scratch; a paddle came back. */
const RETURN: Made[] = [
  ...soundPropeller,
  count('out', 'fenders', 4),
  count('out', 'paddle', 2),
  looked('out'),
  count('in', 'fenders', 3),
  count('in', 'paddle', 2),
  looked('in'),
  scratch,
];
const FENDER = 'finding-count/fenders';
const MARK = `finding-mark/${SCRATCH}`;

let keys: (key: string) => boolean = () => false;
const press = (key: string) => {
  let taken = false;
  act(() => void (taken = keys(key)));
  return taken;
};
beforeEach(() => {
  mockPush.mockReset();
  mockSaid.length = 0;
  jest.spyOn(api, 'call').mockImplementation((() => Promise.resolve({ comparisons: [] })) as unknown as typeof api.call);
  jest.mocked(browser.onKey).mockImplementation((listener) => {
    keys = listener;
    return () => undefined;
  });
});
afterEach(() => jest.restoreAllMocks());

const show = (rows: readonly Made[], { role = 'hand', width = 390 }: { role?: 'hand' | 'manager'; width?: number } = {}) => {
  Object.defineProperties(document.documentElement, {
    clientWidth: { value: width, configurable: true },
    clientHeight: { value: 844, configurable: true },
  });
  window.dispatchEvent(new Event('resize'));
  jest
    .mocked(session.useMe)
    .mockReturnValue({ data: { staff: { id: role, name: role, role } } } as unknown as ReturnType<typeof session.useMe>);
  const { entered, view } = living(rows, 'in', 'gate', (drawn) => {
    jest.mocked(hire.useHire).mockReturnValue({ view: drawn, error: null, shut: false, refetch: () => undefined });
    return <Compare hireId="h-1001" />;
  });
  const decided = () =>
    Object.fromEntries(
      settle(view().record, pack).findings.flatMap((one: Finding) => (one.decision === undefined ? [] : [[one.key, one.decision]])),
    );
  return { entered, decided };
};

describe('a return compared with its departure', () => {
  it('lists what wants a decision first, and leads through it until the statement is free', async () => {
    const { decided } = show(RETURN);
    expect(screen.getByText('2 to decide')).toBeTruthy();
    expect(screen.getByText(/^\d+ other things? as (it was|they were)$/)).toBeTruthy();
    fireEvent.click(screen.getByTestId('open-statement'));
    expect(mockPush).not.toHaveBeenCalled();
    // The first of them is open, and the next comes by itself.
    fireEvent.click(screen.getByTestId('decide-wear'));
    await waitFor(() => expect(screen.getByText('1 to decide')).toBeTruthy());
    fireEvent.click(screen.getByTestId('decide-renters'));
    await waitFor(() => expect(screen.getByText('To the statement')).toBeTruthy());
    expect(decided()).toEqual({ [`mark/${SCRATCH}`]: 'wear', 'count/fenders': 'renters' });
    fireEvent.click(screen.getByTestId('open-statement'));
    expect(mockPush).toHaveBeenCalledWith('/hire/h-1001/statement');
  });

  it('says what was decided, and takes it back', async () => {
    const { decided } = show(RETURN);
    fireEvent.click(screen.getByTestId(FENDER));
    fireEvent.click(screen.getByTestId('decide-found'));
    await waitFor(() => expect(mockSaid.at(-1)?.text).toBe('found again'));
    expect(decided()).toEqual({ 'count/fenders': 'found' });
    act(() => mockSaid.at(-1)!.undo!());
    expect(decided()).toEqual({});
    expect(screen.getByText('2 to decide')).toBeTruthy();
  });

  it('charges only what was said to be the renter’s', async () => {
    show(RETURN);
    expect(screen.queryByText('Fender €38.00')).toBeNull();
    fireEvent.click(screen.getByTestId(FENDER));
    fireEvent.click(screen.getByTestId('decide-renters'));
    await screen.findByText('Fender €38.00');
    act(() => mockSaid.at(-1)!.undo!());
    expect(screen.queryByText('Fender €38.00')).toBeNull();
  });

  it('what the manager was asked about is decided by a manager only', async () => {
    const asked: Made[] = [...RETURN, { kind: 'findingDecided', finding: 'count/fenders', decision: 'askManager' }];
    show(asked);
    fireEvent.click(screen.getByTestId(FENDER));
    expect(screen.queryByTestId('decide-renters')).toBeNull();
    expect(screen.queryByTestId('decide-wear')).toBeNull();
    cleanup();
    const { decided } = show(asked, { role: 'manager' });
    fireEvent.click(screen.getByTestId(FENDER));
    fireEvent.click(screen.getByTestId('decide-renters'));
    await waitFor(() => expect(decided()).toEqual({ 'count/fenders': 'renters' }));
  });

  it('of a boat that came back as she went says so', () => {
    show([...soundPropeller, count('out', 'fenders', 4), count('in', 'fenders', 4)]);
    expect(screen.queryByTestId(FENDER)).toBeNull();
    expect(screen.getByText('To the statement')).toBeTruthy();
  });

  it('that is closed is looked at, and not decided any more', () => {
    show([...RETURN, { kind: 'closed', statement: 'a'.repeat(64), number: 1, covers: idsOf(RETURN), root: 'b'.repeat(64) }]);
    fireEvent.click(screen.getByTestId(MARK));
    for (const id of ['decide-renters', 'decide-wear', 'decide-known']) expect(screen.queryByTestId(id)).toBeNull();
  });

  it('that two phones left standing is settled by one value, which is said to be right', async () => {
    const { entered } = show([
      ...soundPropeller,
      count('out', 'fenders', 4),
      { body: count('in', 'fenders', 3), device: 'd1' },
      { body: count('in', 'fenders', 4), device: 'd2' },
    ]);
    fireEvent.click(screen.getByTestId('finding-conflict/in/count/fenders'));
    expect(screen.getByText(/Two phones entered different values/)).toBeTruthy();
    fireEvent.click(screen.getByText(/^Fenders: 3 .*is right$/));
    await waitFor(() => expect(entered.at(-1)).toMatchObject({ kind: 'conflictResolved' }));
    expect(screen.getByTestId(FENDER)).toBeTruthy();
    expect(screen.queryByTestId('finding-conflict/in/count/fenders')).toBeNull();
  });
});

describe('on a desk', () => {
  it('is gone through by keys: arrows choose, a letter decides, only what makes sense here', async () => {
    const { decided } = show(RETURN, { width: 1280 });
    // The first is chosen; a key that is no decision of it is nobody's.
    expect(press('o')).toBe(false);
    expect(press('ArrowDown')).toBe(true);
    // Two keys, the second before the first is kept: each is for what stood there.
    expect([press('r'), press('w')]).toEqual([true, true]);
    await waitFor(() => expect(decided()).toEqual({ 'count/fenders': 'renters', [`mark/${SCRATCH}`]: 'wear' }));
  });

  it('shows its keys, and takes none for a decision meanwhile', () => {
    const { decided } = show(RETURN, { width: 1280 });
    expect(press('?')).toBe(true);
    expect(screen.getByText('Keys')).toBeTruthy();
    expect(press('r')).toBe(false);
    expect(decided()).toEqual({});
  });
});
