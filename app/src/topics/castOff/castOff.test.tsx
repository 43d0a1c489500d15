import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import * as hire from '../../local/hire';
import * as session from '../../local/session';
import { living } from '../../testing/living';
import { type Made, sealed } from '../../testing/view';
import type { WalkView } from '../../local/useWalk';
import { CastOffPage } from './CastOffPage';

jest.mock('../../local/hire', () => ({ useHire: jest.fn() }));
jest.mock('../../local/session', () => ({ useMe: jest.fn() }));
jest.mock('../trip/useConditions', () => ({ useGiven: () => ({ given: {}, from: { is: 'nobody' } }) }));
const mockPush = jest.fn();
const mockReplace = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush, replace: mockReplace }),
  useLocalSearchParams: () => ({}),
}));
const mockSaid: { text: string; undo?: () => void }[] = [];
jest.mock('../../ui/controls/snack', () => ({ useSnack: () => (said: { text: string }) => mockSaid.push(said) }));

const NOW = Date.parse('2026-06-13T09:00:00.000Z');
const held: EventBody = { kind: 'boatHeld', why: 'She leaks at the stern gland' };

beforeEach(() => {
  mockPush.mockReset();
  mockReplace.mockReset();
  mockSaid.length = 0;
  jest.useFakeTimers({ now: NOW, doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
});
afterEach(() => jest.useRealTimers());

const show = (rows: readonly Made[], role: 'hand' | 'manager' = 'hand') => {
  jest
    .mocked(session.useMe)
    .mockReturnValue({ data: { staff: { id: role, name: role, role } } } as unknown as ReturnType<typeof session.useMe>);
  const draw = (view: WalkView) => {
    jest.mocked(hire.useHire).mockReturnValue({ view, error: null, shut: false, refetch: () => undefined });
    return <CastOffPage hireId="h-1001" />;
  };
  return living(rows, 'out', 'helm', draw, role);
};
const kinds = (entered: readonly EventBody[]) => entered.map(({ kind }) => kind);
/** What lets go of one matter; Paper names what lies around and inside as well. */
const LET_GO = /^let-go-(?!why)(?!.*-(container|text)$)/;

/** Everything that blocks her now, let go by a manager one after the other. */
const letAllGo = async () => {
  for (let i = 0; i < 40; i += 1) {
    const [next] = screen.queryAllByTestId(LET_GO);
    if (!next) return;
    fireEvent.click(next);
    fireEvent.change(screen.getByTestId('let-go-why'), { target: { value: 'Seen to by hand' } });
    fireEvent.click(screen.getByTestId('let-go'));
    await waitFor(() => expect(screen.queryByTestId('let-go')).toBeNull());
  }
};

describe('before she casts off', () => {
  it('what somebody said of her holds her until it is lifted, and undoing that holds her again', async () => {
    const { entered } = show([held]);
    expect(screen.getByText(/She leaks at the stern gland/)).toBeTruthy();
    expect(screen.queryByTestId('cast-off')).toBeNull();
    fireEvent.click(screen.getByTestId('lift'));
    await waitFor(() => expect(screen.queryByText(/She leaks at the stern gland/)).toBeNull());
    expect(kinds(entered)).toEqual(['undone']);
    act(() => mockSaid.at(-1)!.undo!());
    expect(screen.getByText(/She leaks at the stern gland/)).toBeTruthy();
  });

  it('leads to where the first thing is settled', () => {
    show([]);
    fireEvent.click(screen.getByTestId('settle-first'));
    expect(mockPush).toHaveBeenCalledWith(expect.stringMatching(/^\/hire\/h-1001\//));
  });

  it('a hand lets go of nothing; a manager only with a reason, and takes it back', async () => {
    show([held]);
    expect(screen.queryAllByTestId(LET_GO)).toEqual([]);
    cleanup();
    const { entered } = show([held], 'manager');
    const [first] = screen.getAllByTestId(LET_GO);
    const key = first!.dataset['testid']!.slice('let-go-'.length);
    fireEvent.click(first!);
    expect(screen.getByTestId('let-go')).toBeDisabled();
    fireEvent.change(screen.getByTestId('let-go-why'), { target: { value: ' I looked at it myself ' } });
    fireEvent.click(screen.getByTestId('let-go'));
    await waitFor(() => expect(entered).toEqual([{ kind: 'holdOverridden', matter: key, why: 'I looked at it myself' }]));
    expect(screen.getByText(/I looked at it myself/)).toBeTruthy();
    fireEvent.click(screen.getByTestId(`take-back-${key}`));
    await waitFor(() => expect(screen.queryByText(/I looked at it myself/)).toBeNull());
    expect(screen.getByTestId(`let-go-${key}`)).toBeTruthy();
  });

  it('names what nobody looked at, a few first and then all of it, each leading to where it is looked at', () => {
    show([]);
    const before = screen.getAllByRole('button').length;
    fireEvent.click(screen.getByTestId('all-open'));
    expect(screen.getAllByRole('button').length).toBeGreaterThan(before);
    expect(screen.queryByTestId('all-open')).toBeNull();
  });

  it('with everything let go she is signed first, and then casts off, which can be undone', async () => {
    show([], 'manager');
    await letAllGo();
    fireEvent.click(screen.getByTestId('sign-first'));
    expect(mockPush).toHaveBeenCalledWith('/hire/h-1001/sign/out');
    cleanup();

    const { entered } = show(sealed('out', [{ kind: 'walkStarted', walk: 'out' }]), 'manager');
    await letAllGo();
    fireEvent.click(screen.getByTestId('cast-off'));
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/'));
    expect(kinds(entered).at(-1)).toBe('castOff');
    act(() => mockSaid.at(-1)!.undo!());
    expect(screen.getByTestId('cast-off')).toBeTruthy();
  });

  it('that is out already is no question any more', () => {
    show([...sealed('out', [{ kind: 'walkStarted', walk: 'out' }]), { kind: 'castOff' }]);
    for (const id of ['cast-off', 'settle-first', 'sign-first']) expect(screen.queryByTestId(id)).toBeNull();
    expect(screen.getByText('Cast off.')).toBeTruthy();
  });
});
