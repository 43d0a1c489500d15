import type { StoredHireEvent } from '@quay/core/record/event';
import { act, renderHook } from '@testing-library/react';
import { heldOf } from '../testing/view';
import { useUndrawn } from './usePending';

const [row] = heldOf([{ kind: 'cameIn' }]) as [StoredHireEvent];
const { id } = row.event;

const drawn = (...ids: string[]) => new Set(ids);

/** Whether a promise has come to its end once all that is on its way has. */
const ended = async (promise: Promise<void>): Promise<boolean> => {
  let yes = false;
  void promise.then(() => (yes = true));
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 0));
  });
  return yes;
};

test('whoever decides waits until the entry before is kept, and drawn', async () => {
  const { result, rerender } = renderHook(useUndrawn, { initialProps: drawn() });
  expect(await ended(result.current.allDrawn())).toBe(true);
  let keep: (rows: StoredHireEvent[]) => void = () => undefined;
  result.current.entering(new Promise((resolve) => (keep = resolve)));
  const waits = result.current.allDrawn();
  expect(await ended(waits)).toBe(false);
  keep([row]);
  expect(await ended(waits)).toBe(false);
  rerender(drawn(id));
  expect(await ended(waits)).toBe(true);
  expect(await ended(result.current.allDrawn())).toBe(true);
});

test('an entry that could not be kept is not waited for', async () => {
  const { result } = renderHook(useUndrawn, { initialProps: drawn() });
  result.current.entering(Promise.reject(new Error('the disk is full')));
  expect(await ended(result.current.allDrawn())).toBe(true);
});
