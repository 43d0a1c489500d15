import { cleanup, fireEvent, screen } from '@testing-library/react';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import { counted as count, heldOf, pack, viewOf } from '../../testing/view';
import { CountSection } from '../condition/CountSection';
import { LookSection } from '../condition/LookSection';
import { PropellerSection } from '../condition/PropellerSection';
import { ReadSection } from '../fuel/ReadSection';
import { SaySection } from '../briefing/SaySection';
import { render } from '../../testing/render';

const read = (walk: Walk, gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });
const nothing = () => undefined;

describe('counting', () => {
  it('confirms the whole number in one press, one fewer with the other', () => {
    const { view, entered } = viewOf([], 'out', 'forward');
    render(<CountSection view={view} onOpen={nothing} />);
    fireEvent.click(screen.getByTestId('count-fenders'));
    fireEvent.click(screen.getByTestId('fewer-fenders'));
    expect(entered).toEqual([count('out', 'fenders', 4), count('out', 'fenders', 3)]);
    expect(screen.getByLabelText('Fenders: confirm 4')).toBeTruthy();
  });

  it('takes the rest of the stop at once, and leaves what is counted already alone', () => {
    const { view, entered } = viewOf(heldOf([count('out', 'fenders', 3)]), 'out', 'forward');
    render(<CountSection view={view} onOpen={nothing} />);
    expect(screen.getByLabelText('Fenders: 3 of 4 here')).toBeTruthy();
    fireEvent.click(screen.getByTestId('all-here'));
    const ids = pack.book.fittings.filter(({ station, id }) => station === 'forward' && id !== 'fenders').map(({ id }) => id);
    expect(entered.map((body) => (body.kind === 'counted' ? body.fitting : body.kind))).toEqual(ids);
  });

  it('coming in, departure stands behind it and “as it was” means departure’s number, not the book’s', () => {
    const { view, entered } = viewOf(heldOf([count('out', 'fenders', 3)]), 'in', 'forward');
    render(<CountSection view={view} onOpen={nothing} />);
    expect(screen.getByText('was 3')).toBeTruthy();
    fireEvent.click(screen.getByTestId('count-fenders'));
    expect(entered).toEqual([{ ...count('in', 'fenders', 3), asBefore: true }]);
  });

  it('says when two phones disagree', () => {
    const { view } = viewOf(heldOf([count('out', 'fenders', 4), { body: count('out', 'fenders', 2), device: 'd2' }]), 'out', 'forward');
    render(<CountSection view={view} onOpen={nothing} />);
    expect(screen.getByText('Two phones disagree: 4 fine / 2 fine. Enter what is right.')).toBeTruthy();
  });
});

describe('saying', () => {
  const points = pack.book.points.filter(({ station }) => station === 'forward');

  it('tells each point once, all of them in one press, and takes a tick back', () => {
    const fresh = viewOf([], 'out', 'forward');
    render(<SaySection view={fresh.view} />);
    fireEvent.click(screen.getByTestId('all-said'));
    expect(fresh.entered.map((body) => (body.kind === 'pointBriefed' ? body.point : body.kind))).toEqual(points.map(({ id }) => id));
    cleanup();

    const told = viewOf(
      heldOf([{ kind: 'pointBriefed', walk: 'out', point: points[0]!.id, how: 'said', language: 'en' }]),
      'out',
      'forward',
    );
    render(<SaySection view={told.view} />);
    fireEvent.click(screen.getByTestId(`point-${points[0]!.id}`));
    expect([told.entered, told.undone.map(({ event }) => event.body.kind)]).toEqual([[], ['pointBriefed']]);
  });

  it('tells the price together with the caution, and briefs nobody coming in', () => {
    const priced = points.find(({ price }) => price === 'fender');
    expect(priced).toBeDefined();
    render(<SaySection view={viewOf([], 'out', 'forward').view} />);
    expect(screen.getByText('Fender €38.00')).toBeTruthy();
    cleanup();
    const { container } = render(<SaySection view={viewOf([], 'in', 'forward').view} />);
    expect(container.textContent).toBe('');
  });
});

describe('looking', () => {
  const chip: EventBody = {
    kind: 'markPlaced',
    walk: 'out',
    mark: { id: 'old', surface: 'port-side', x: 0.3, y: 0.6, kind: 'chip', sizeMm: 12, photos: ['a'.repeat(64)] },
  };

  it('coming in, sees every mark of departure again in one press, without its old pictures', () => {
    const { view, entered } = viewOf(heldOf([chip]), 'in', 'gate');
    render(<LookSection view={view} onOpen={nothing} />);
    expect(screen.getByText('0 of 1 seen again · not looked at yet')).toBeTruthy();
    fireEvent.click(screen.getByTestId('look-as-it-was'));
    expect(entered).toEqual([
      { kind: 'markPlaced', walk: 'in', mark: { ...chip.mark, photos: [] }, asBefore: true },
      { kind: 'surfaceSeen', walk: 'in', surface: 'port-side', photos: [], asBefore: true },
    ]);
  });

  it('opens the surface that is pressed', () => {
    const opened: string[] = [];
    render(<LookSection view={viewOf([], 'out', 'gate').view} onOpen={(id) => opened.push(id)} />);
    fireEvent.click(screen.getByTestId('surface-port-side'));
    expect(opened).toEqual(['port-side']);
  });
});

describe('reading', () => {
  it('shows a needle in sixteenths, a figure with its unit, and the tank with its interval once it can', () => {
    const stored = heldOf([read('out', 'fuel-needle', 0.5), read('out', 'hours', 1240.4), read('out', 'fuel-sight', 47)]);
    render(<ReadSection view={viewOf(stored, 'out', 'helm').view} onOpen={nothing} />);
    expect(screen.getByText('8/16')).toBeTruthy();
    expect(screen.getByText('1240.4 h')).toBeTruthy();
    expect(screen.getByText(/^Petrol: about 4\d L, between \d+ and \d+$/)).toBeTruthy();
    expect(screen.getAllByText('not read').length).toBeGreaterThan(0);
  });

  it('asks for a third reading when two disagree, and puts neither aside', () => {
    const stored = heldOf([read('out', 'fuel-needle', 1), read('out', 'fuel-sight', 20)]);
    render(<ReadSection view={viewOf(stored, 'out', 'helm').view} onOpen={nothing} />);
    expect(screen.getByText('The readings disagree; neither is put aside. Take a third.')).toBeTruthy();
  });
});

describe('the propeller', () => {
  it('is judged as the boat allows, with a picture once it is judged', () => {
    const { view, entered } = viewOf([], 'out', 'engine');
    render(<PropellerSection view={view} />);
    expect(screen.getByText('Seen with the leg up. Leg up, before you lower it.')).toBeTruthy();
    expect(screen.queryByTestId('propeller-photo')).toBeNull();
    fireEvent.click(screen.getByTestId('prop-flaw'));
    const flaw = { kind: 'evidenceGiven' as const, walk: 'out' as const, propeller: 'prop', photos: [] };
    expect(entered).toEqual([{ ...flaw, state: 'flawWithinLimit', sizeMm: 2 }]);
    cleanup();
    // A millimetre over the boat's five, and it is no longer the hand's to decide.
    const again = viewOf(heldOf([{ ...flaw, state: 'flawWithinLimit', sizeMm: 5 }]), 'out', 'engine');
    render(<PropellerSection view={again.view} />);
    fireEvent.click(screen.getByTestId('flaw-larger'));
    expect(again.entered).toEqual([{ ...flaw, state: 'flawOverLimit', sizeMm: 6 }]);
    // A press goes on from the press before, whether or not that is kept and shown already.
    for (let i = 0; i < 2; i += 1) fireEvent.click(screen.getByTestId('flaw-larger'));
    fireEvent.click(screen.getByTestId('flaw-smaller'));
    expect(again.entered.slice(1)).toMatchObject([{ sizeMm: 7 }, { sizeMm: 8 }, { sizeMm: 7 }]);
    expect(screen.getByTestId('propeller-photo')).toBeTruthy();
    expect(screen.getByTestId('propeller-photo-file')).toBeTruthy();
  });
});
