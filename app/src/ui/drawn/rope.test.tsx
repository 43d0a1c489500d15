import { fireEvent, screen } from '@testing-library/react';
import { Rope } from './rope';
import { render } from '../../testing/render';

const KNOTS = [
  { id: 'bow', name: 'Bow', tied: true },
  { id: 'helm', name: 'Helm', tied: false },
  { id: 'stern', name: 'Stern', tied: false },
];

it('says each knot, tied or loose, and jumps to it', () => {
  const jumps: number[] = [];
  render(
    <Rope
      knots={KNOTS}
      at={1}
      width={390}
      onJump={(i) => jumps.push(i)}
      spoken={(knot, i) => `Stop ${i + 1}, ${knot.name}, ${knot.tied ? 'tied' : 'loose'}`}
    />,
  );
  expect(screen.getByLabelText('Stop 1, Bow, tied')).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Stop 3, Stern, loose'));
  expect(jumps).toEqual([2]);
});
