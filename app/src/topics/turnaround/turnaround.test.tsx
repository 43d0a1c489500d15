import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import { findingsOfHire } from '@quay/core/settlement/settle';
import { workOf } from '@quay/core/turnaround/work';
import '../../i18n';
import * as hire from '../../local/hire';
import * as photo from '../photo/usePhoto';
import { living } from '../../testing/living';
import { counted, type Made, pack } from '../../testing/view';
import { TurnaroundPage } from './TurnaroundPage';

jest.mock('../../local/hire', () => ({ useHire: jest.fn() }));
jest.mock('../photo/usePhoto', () => ({ usePhoto: jest.fn() }));
jest.mock('../photo/picture', () => ({ Picture: () => null }));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: () => undefined }) }));
const mockSaid: { text: string; undo?: () => void }[] = [];
jest.mock('../../ui/controls/snack', () => ({ useSnack: () => (said: { text: string }) => mockSaid.push(said) }));

const started: EventBody = { kind: 'walkStarted', walk: 'in' };
/** What is missing and does not hold her. */
const LOOSE = pack.book.fittings.find(({ safety, count, kind }) => safety !== true && count === 1 && kind !== 'consumable')!.id;
/** The extinguisher is gone, which holds her, and something else, which does not. */
const BACK: Made[] = [
  started,
  counted('out', 'extinguisher', 1),
  counted('out', LOOSE, 1),
  counted('in', 'extinguisher', 0),
  counted('in', LOOSE, 0),
];
const SHA = 'c'.repeat(64);

beforeEach(() => {
  mockSaid.length = 0;
  jest.mocked(photo.usePhoto).mockReturnValue({
    take: (_: unknown, then: (sha: string) => void) => Promise.resolve(then(SHA)),
    fault: undefined,
    doubted: undefined,
    looking: undefined,
    busy: false,
    forget: () => undefined,
  } as unknown as ReturnType<typeof photo.usePhoto>);
});

const show = (rows: readonly Made[]) => {
  const shown = living(rows, 'in', 'helm', (view) => {
    jest.mocked(hire.useHire).mockReturnValue({ view, error: null, shut: false, refetch: () => undefined });
    return <TurnaroundPage hireId="h-1001" />;
  });
  const work = () => workOf(shown.view().record, pack.book, findingsOfHire(shown.view().record, pack));
  const of = (fitting: string) => work().find((one) => one.is === 'replace' && one.fitting === fitting)!;
  return { ...shown, of };
};

describe('what has to be done before she goes out again', () => {
  it('names what holds her, and lets it be done only with a picture', async () => {
    const { of, entered } = show(BACK);
    const { key, unsafe } = of('extinguisher');
    expect(unsafe).toBe(true);
    fireEvent.click(screen.getByTestId(`do-${key}`));
    expect(screen.getByTestId('work-done')).toBeDisabled();
    await act(async () => {
      fireEvent.click(screen.getByTestId('work-photo'));
      await Promise.resolve();
    });
    fireEvent.change(screen.getByTestId('work-note'), { target: { value: ' A new one from the store ' } });
    fireEvent.click(screen.getByTestId('work-done'));
    await waitFor(() => expect(of('extinguisher').done).toBeDefined());
    expect(entered).toEqual([{ kind: 'workDone', work: key, photos: [SHA], note: 'A new one from the store' }]);
    expect(screen.getByText('A new one from the store')).toBeTruthy();
  });

  it('what does not hold her is done by a word alone, and taken back', async () => {
    const { of } = show(BACK);
    const { key, unsafe } = of(LOOSE);
    expect(unsafe).toBe(false);
    fireEvent.click(screen.getByTestId(`do-${key}`));
    fireEvent.click(screen.getByTestId('work-done'));
    await waitFor(() => expect(of(LOOSE).done).toBeDefined());
    fireEvent.click(screen.getByTestId(`again-${key}`));
    await waitFor(() => expect(of(LOOSE).done).toBeUndefined());
    act(() => mockSaid.at(-1)!.undo!());
    expect(of(LOOSE).done).toBeDefined();
  });

  it('is judged by a person: what holds her is let go, what did not is made to', async () => {
    const { of } = show(BACK);
    fireEvent.click(screen.getByTestId(`judge-${of('extinguisher').key}`));
    await waitFor(() => expect(of('extinguisher').unsafe).toBe(false));
    fireEvent.click(screen.getByTestId(`judge-${of(LOOSE).key}`));
    await waitFor(() => expect(of(LOOSE).unsafe).toBe(true));
    act(() => mockSaid.at(-1)!.undo!());
    expect(of(LOOSE).unsafe).toBe(false);
  });

  it('is nothing once she is back as she went, and not known before she is back', () => {
    show([]);
    const before = screen.getAllByText(/./).map(({ textContent }) => textContent);
    cleanup();
    show([started]);
    const after = screen.getAllByText(/./).map(({ textContent }) => textContent);
    expect(after).not.toEqual(before);
    expect(screen.queryAllByTestId(/^do-/)).toEqual([]);
  });
});
