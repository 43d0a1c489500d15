import { cleanup, screen } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import '../../i18n';
import { heldOf, viewOf } from '../../testing/view';
import { DepartureNotice } from './DepartureNotice';
import { render } from '../../testing/render';

const counted = (walk: 'out' | 'in'): EventBody => ({ kind: 'counted', walk, fitting: 'fenders', count: 4, state: 'fine' });
const show = (...bodies: EventBody[]) => render(<DepartureNotice record={viewOf(heldOf(bodies), 'in', 'helm').view.record} />);

it('says above a comparison when nobody recorded how she left, or nobody signed it, and nothing otherwise', () => {
  show(counted('in'));
  expect(screen.getByText('Nothing is known of the departure')).toBeTruthy();
  cleanup();
  show(counted('out'), counted('in'));
  expect(screen.getByText('Nobody signed the departure')).toBeTruthy();
  cleanup();
  const { container } = show(counted('out'), { kind: 'signRefused', walk: 'out', why: 'In a hurry' }, counted('in'));
  expect(container.textContent).toBe('');
  cleanup();
  // She has not come back: there is nothing yet to be compared with it.
  expect(show().container.textContent).toBe('');
});
