import { fireEvent, screen } from '@testing-library/react';
import { Rope } from './rope';
import { render } from '../../testing/render';

const KNOTS = [
  { id: 'bow', name: 'Bow', completed: true },
  { id: 'helm', name: 'Helm', completed: false },
  { id: 'stern', name: 'Stern', completed: false },
];

it('says each stop, done or open, and jumps to it', () => {
  const jumps: number[] = [];
  render(
    <Rope
      knots={KNOTS}
      at={1}
      width={390}
      onJump={(i) => jumps.push(i)}
      spoken={(knot, i) => `Stop ${i + 1}, ${knot.name}, ${knot.completed ? 'done' : 'open'}`}
    />,
  );
  expect(screen.getByLabelText('Stop 1, Bow, done')).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Stop 3, Stern, open'));
  expect(jumps).toEqual([2]);
});
