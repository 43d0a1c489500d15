import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { boxesLeft } from './boxes';

const BACK = 'b'.repeat(64);
const BOXES = [
  { x: 0.1, y: 0.2, width: 0.05, height: 0.05 },
  { x: 0.6, y: 0.5, width: 0.1, height: 0.02 },
];
const mark = (x: number, y: number, more: { surface?: string; walk?: 'out' | 'in' } = {}): EventBody => ({
  kind: 'markPlaced',
  walk: more.walk ?? 'in',
  mark: { id: `m${x}`, surface: more.surface ?? 'port', x, y, kind: 'scratch', sizeMm: 40, photos: [] },
});
const left = (...bodies: EventBody[]) => boxesLeft(recordOf(...bodies), 'port', BACK, BOXES).map(({ x }) => x);

it('leaves the boxes that nobody put aside', () => {
  expect(left()).toEqual([0.1, 0.6]);
  expect(left({ kind: 'boxDismissed', photo: BACK, x: 0.1, y: 0.2 })).toEqual([0.6]);
  expect(left({ kind: 'boxDismissed', photo: 'c'.repeat(64), x: 0.1, y: 0.2 })).toEqual([0.1, 0.6]);
});

it('leaves the boxes that nobody put down as a mark of the return, as near as a thumb puts it', () => {
  expect(left(mark(0.625, 0.5))).toEqual([0.1]);
  expect(left(mark(0.72, 0.545))).toEqual([0.1]);
  expect(left(mark(0.75, 0.5))).toEqual([0.1, 0.6]);
  expect(left(mark(0.625, 0.5, { surface: 'starboard' }), mark(0.62, 0.5, { walk: 'out' }))).toEqual([0.1, 0.6]);
});
