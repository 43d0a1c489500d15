import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import { heldOf, pack, viewOf } from '../../testing/view';
import { GaugeSheet } from './GaugeSheet';
import { render } from '../../testing/render';

const read = (walk: Walk, gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });
const nothing = () => undefined;

/** Opens a gauge, types a reading and keeps it. @returns what was entered, and whether the sheet went away */
const typed = async (gauge: string, text: string, held: readonly EventBody[] = [], walk: Walk = 'in') => {
  const { view, entered } = viewOf(heldOf(held), walk, 'helm');
  let closed = false;
  // What is on the wires is the quay's to ask, and none of this.
  render(<GaugeSheet view={{ ...view, alone: true }} gaugeId={gauge} onClose={() => (closed = true)} />);
  fireEvent.change(screen.getByTestId('reading'), { target: { value: text } });
  fireEvent.click(screen.getByTestId('keep-reading'));
  // What is kept is kept a moment later.
  await act(() => Promise.resolve());
  return { entered, closed };
};

describe('a figure that is typed', () => {
  it('is kept with a comma or a point, and says when it is what it was', async () => {
    expect((await typed('hours', '1243,5', [read('out', 'hours', 1240)])).entered).toEqual([read('in', 'hours', 1243.5)]);
    cleanup();
    expect((await typed('hours', '1240', [read('out', 'hours', 1240)])).entered).toEqual([
      { ...read('in', 'hours', 1240), asBefore: true },
    ]);
  });

  it('is not kept when it is none, and says why where it was typed', async () => {
    for (const [text, why] of [
      ['12 hours', /between|from|beyond/i],
      ['1e3', /between|from|beyond/i],
    ] as const) {
      const { entered, closed } = await typed('hours', text);
      expect([entered, closed]).toEqual([[], false]);
      expect(screen.getByText(why)).toBeTruthy();
      cleanup();
    }
  });

  it('cannot have gone back', async () => {
    const { entered } = await typed('hours', '1239', [read('out', 'hours', 1240)]);
    expect(entered).toEqual([]);
    expect(screen.getByText(/^Lower than .*1240 h/)).toBeTruthy();
  });
});

describe('a needle', () => {
  it('stands where departure left it, and is kept so in one press', async () => {
    const { view, entered } = viewOf(heldOf([read('out', 'fuel-needle', 0.5)]), 'in', 'helm');
    render(<GaugeSheet view={view} gaugeId="fuel-needle" onClose={nothing} />);
    fireEvent.click(screen.getByTestId('keep-reading'));
    await waitFor(() => expect(entered).toEqual([{ ...read('in', 'fuel-needle', 0.5), asBefore: true }]));
  });

  it('is opened where it was read last, when that is put right', async () => {
    const { view, entered } = viewOf(heldOf([read('out', 'fuel-needle', 1), read('in', 'fuel-needle', 0.25)]), 'in', 'helm');
    render(<GaugeSheet view={view} gaugeId="fuel-needle" onClose={nothing} />);
    fireEvent.click(screen.getByTestId('keep-reading'));
    await waitFor(() => expect(entered).toEqual([read('in', 'fuel-needle', 0.25)]));
  });
});

it('a gauge that the book does not know is no sheet at all', () => {
  const { container } = render(<GaugeSheet view={viewOf([], 'in', 'helm').view} gaugeId="none" onClose={nothing} />);
  expect(container.textContent).toBe('');
  expect(pack.book.gauges.some(({ id }) => id === 'none')).toBe(false);
});
