import { marksOf } from '@quay/core/condition/placed';
import { cleanup, createEvent, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Mark } from '@quay/core/condition/marks';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import type { ReactNode } from 'react';
import '../../i18n';
import * as api from '../../local/api';
import { living } from '../../testing/living';
import type { Made } from '../../testing/view';
import { SurfaceSheet } from './SurfaceSheet';

// Coming nearer is done by the browser; here the drawing stands as it is.
jest.mock('../../platform/zoom', () => ({ Zoomable: ({ children }: { children: ReactNode }) => children }));
jest.mock('../photo/picture', () => ({ Picture: () => null }));

const SURFACE = 'port-side';
const mark = (walk: Walk, id: string, more: Partial<Mark> = {}): EventBody => ({
  kind: 'markPlaced',
  walk,
  mark: { id, surface: SURFACE, x: 0.3, y: 0.5, kind: 'dent', sizeMm: 60, photos: [], ...more },
});
const A = '018f0000-0000-7000-8000-00000000000a';
const B = '018f0000-0000-7000-8000-00000000000b';

beforeEach(() => {
  jest.spyOn(api, 'call').mockImplementation((() => Promise.resolve({ comparisons: [] })) as unknown as typeof api.call);
});
afterEach(() => jest.restoreAllMocks());

const show = (walk: Walk, rows: readonly Made[] = []) => {
  const closed = jest.fn();
  const { entered, view } = living(rows, walk, 'gate', (drawn) => (
    <SurfaceSheet view={drawn} surfaceId={SURFACE} hireId="h-1001" onClose={closed} />
  ));
  return { entered, marks: () => marksOf(view().record, walk), closed };
};
/** A press on the drawing, px from its left and top. */
const pressAt = (x: number, y: number) => {
  const click = createEvent.click(screen.getByTestId('surface-drawing'), { detail: 1 });
  // The simulated page lays nothing out, so it does not know where that is.
  Object.defineProperties(click, { offsetX: { value: x }, offsetY: { value: y } });
  fireEvent(screen.getByTestId('surface-drawing'), click);
};

describe('a surface', () => {
  it('takes a mark where it is pressed, with its kind, its size in steps and a remark', async () => {
    const { marks } = show('out');
    await screen.findByTestId('surface-drawing');
    pressAt(10, 10);
    fireEvent.click(screen.getByTestId('kind-dent'));
    for (let i = 0; i < 3; i += 1) fireEvent.click(screen.getByTestId('larger'));
    fireEvent.click(screen.getByTestId('smaller'));
    expect(screen.getByText('60 mm')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('A word about it'), { target: { value: '  by the gate ' } });
    fireEvent.click(screen.getByTestId('keep-mark'));
    await waitFor(() => expect(marks()).toHaveLength(1));
    expect(marks()[0]).toMatchObject({ surface: SURFACE, x: 0, y: 0, kind: 'dent', sizeMm: 60, note: 'by the gate', photos: [] });
    expect(screen.getByTestId('mark-1')).toBeTruthy();
  });

  it('moves what is being placed by another press, and begins in the middle from a keyboard', async () => {
    const { marks } = show('out');
    fireEvent.click(screen.getByTestId('surface-drawing'), { detail: 0 });
    fireEvent.click(screen.getByTestId('keep-mark'));
    await waitFor(() => expect(marks()).toMatchObject([{ x: 0.5, y: 0.5 }]));
    fireEvent.click(screen.getByTestId('mark-1'));
    pressAt(100_000, 100_000);
    fireEvent.click(screen.getByTestId('keep-mark'));
    await waitFor(() => expect(marks()).toMatchObject([{ x: 1, y: 1 }]));
  });

  it('a mark that is left while it is placed is none, and one that is taken away is gone', async () => {
    const { marks, entered } = show('out', [mark('out', A)]);
    pressAt(60, 60);
    fireEvent.click(screen.getByText('Cancel'));
    expect(entered).toEqual([]);
    fireEvent.click(screen.getByText('Remove'));
    await waitFor(() => expect(marks()).toEqual([]));
  });

  it('cannot be made longer than the longest or shorter than the shortest', () => {
    show('out');
    pressAt(60, 60);
    for (let i = 0; i < 40; i += 1) fireEvent.click(screen.getByTestId('larger'));
    expect(screen.getByText('2000 mm')).toBeTruthy();
    for (let i = 0; i < 40; i += 1) fireEvent.click(screen.getByTestId('smaller'));
    expect(screen.getByText('5 mm')).toBeTruthy();
  });
});

describe('a surface coming in', () => {
  it('has departure’s marks behind it: each is as it was in one press, or grown, and then asks no more', async () => {
    const { marks, entered } = show('in', [mark('out', A), mark('out', B, { x: 0.8, kind: 'crack' })]);
    fireEvent.click(screen.getByTestId(`same-${A}`));
    await waitFor(() => expect(screen.queryByTestId(`same-${A}`)).toBeNull());
    expect(entered).toMatchObject([{ kind: 'markPlaced', walk: 'in', asBefore: true, mark: { id: A, sizeMm: 60, photos: [] } }]);
    fireEvent.click(screen.getByText('It has grown'));
    fireEvent.click(screen.getByTestId('larger'));
    fireEvent.click(screen.getByTestId('keep-mark'));
    await waitFor(() => expect(marks()).toHaveLength(2));
    // The same mark, longer: grown, and not a new one beside it.
    expect(marks()).toMatchObject([{ id: A }, { id: B, kind: 'crack', sizeMm: 80 }]);
    expect(entered.at(-1)).not.toHaveProperty('asBefore');
  });

  it('with nothing new is said so in one press, and closes', async () => {
    const { entered, closed } = show('in');
    expect(screen.getByText('Nothing new here')).toBeTruthy();
    fireEvent.click(screen.getByTestId('surface-seen'));
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(entered).toEqual([{ kind: 'surfaceSeen', walk: 'in', surface: SURFACE, photos: [] }]);
  });

  it('with a mark of its own does not say that nothing is new', () => {
    show('in', [mark('in', A)]);
    expect(screen.queryByText('Nothing new here')).toBeNull();
    expect(screen.getByText('Looked at')).toBeTruthy();
  });

  it('that this phone has no picture of has no pair; with both, the pair is there', () => {
    const looked = (walk: Walk, sha: string): EventBody => ({ kind: 'surfaceSeen', walk, surface: SURFACE, photos: [sha] });
    show('in', [looked('out', 'a'.repeat(64))]);
    expect(screen.queryByTestId('pair-open')).toBeNull();
    cleanup();
    show('in', [looked('out', 'a'.repeat(64)), looked('in', 'b'.repeat(64))]);
    expect(screen.getByTestId('pair-open')).toBeTruthy();
  });
});
