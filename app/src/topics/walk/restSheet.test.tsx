import { fireEvent, screen } from '@testing-library/react';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import { heldOf, pack, viewOf } from '../../testing/view';
import { RestSheet } from './RestSheet';
import { render } from '../../testing/render';

const read = (walk: Walk, gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });
const OUT = [read('out', 'fuel-needle', 1), read('out', 'hours', 1240), read('out', 'volts', 12.6)];

/** The rest of a stop of the return; what is entered with it. */
const rest = (station: string, held: readonly EventBody[] = OUT) => {
  const completed: EventBody[][] = [];
  const { view } = viewOf(heldOf(held), 'in', station);
  render(<RestSheet view={view} onClose={() => undefined} onComplete={(extra) => completed.push(extra)} />);
  return { completed, ofGauges: () => completed.at(-1)!.filter(({ kind }) => kind === 'gaugeRead') };
};
const type = (gauge: string, text: string) => fireEvent.change(screen.getByTestId(`rest-${gauge}`), { target: { value: text } });

describe('the rest of a stop', () => {
  it('takes a needle in sixteenths and a figure in its unit, and ties with all of it', () => {
    const { ofGauges } = rest('helm');
    type('fuel-needle', '10');
    type('hours', '1 243,5');
    type('volts', '12.6');
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(ofGauges()).toEqual([
      read('in', 'fuel-needle', 0.625),
      read('in', 'hours', 1243.5),
      { ...read('in', 'volts', 12.6), asBefore: true },
    ]);
  });

  it('ties nothing while something cannot be, and says why beside it', () => {
    const { completed } = rest('helm');
    type('fuel-needle', '17');
    type('hours', '1239');
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(completed).toEqual([]);
    expect(screen.getByText(/\b0\b.*\b16\b/)).toBeTruthy();
    expect(screen.getByText(/^Lower than at departure, 1240 h/)).toBeTruthy();
    type('fuel-needle', '16');
    type('hours', '1240');
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(completed).toHaveLength(1);
  });

  it('may be completed with something open, which is then not entered', () => {
    const { ofGauges } = rest('helm');
    type('hours', '1241');
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(ofGauges()).toEqual([read('in', 'hours', 1241)]);
  });

  it('says when a figure lies outside what is usual, and takes it', () => {
    const band = pack.book.gauges.find(({ id }) => id === 'volts')!.band!;
    const { ofGauges } = rest('helm');
    type('volts', String(band[1] + 1));
    expect(screen.getByText(new RegExp(String(band[1]).replace('.', '\\.')))).toBeTruthy();
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(ofGauges()).toEqual([read('in', 'volts', band[1] + 1)]);
  });

  it('with the propeller as the last of it, ties at its judgement', () => {
    const { completed } = rest('engine', []);
    const judged = pack.book.propellers.filter(({ station }) => station === 'engine');
    expect(judged).toHaveLength(1);
    const open = screen.queryAllByTestId(/^rest-(?!complete|prop)/);
    fireEvent.click(screen.getByTestId('rest-prop-sound'));
    if (open.length > 0) fireEvent.click(screen.getByTestId('rest-complete'));
    expect(completed.at(-1)).toContainEqual({ kind: 'evidenceGiven', walk: 'in', propeller: judged[0]!.id, state: 'sound', photos: [] });
  });

  it('asks for what has to be looked for, one press each, and enters nothing that nobody touched', () => {
    const { completed } = rest('aft', []);
    const { checks } = pack.book;
    const here = checks.filter(({ station }) => station === 'aft');
    expect(here.length).toBeGreaterThan(0);
    fireEvent.click(screen.getByTestId('rest-complete'));
    expect(completed.at(-1)!.some(({ kind }) => kind === 'asFound')).toBe(false);
    for (const { id, ways } of here) fireEvent.click(screen.getByTestId(`rest-check-${id}-${ways[0]!.id}`));
    if (screen.queryAllByTestId(/^rest-(?!complete|check)/).length > 0) fireEvent.click(screen.getByTestId('rest-complete'));
    expect(completed.at(-1)!.filter(({ kind }) => kind === 'asFound')).toEqual(
      here.map(({ id, ways }) => ({ kind: 'asFound', walk: 'in', check: id, way: ways[0]!.id, photos: [] })),
    );
  });
});
