import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { boardOf, type DayHire, stateOf } from './board';

const NOW = '2026-06-13T10:42:00.000Z';
const hire = (id: string, more: Partial<DayHire>): DayHire => ({
  id,
  boat: id,
  renter: 'R',
  party: 4,
  from: '2026-06-13T12:00:00.000Z',
  to: '2026-06-13T16:00:00.000Z',
  state: 'booked',
  castOffAt: null,
  cameInAt: null,
  hold: null,
  ...more,
});
const out = (id: string, castOffAt: string, to: string) => hire(id, { state: 'out', castOffAt, from: castOffAt, to });

describe('the board of the day', () => {
  it('reads the course of a hire off its record', () => {
    const NAME = '0'.repeat(64);
    const started = (walk: 'out' | 'in'): EventBody => ({ kind: 'walkStarted', walk });
    const sealed = (walk: 'out' | 'in'): EventBody => ({
      kind: 'sealed',
      walk,
      covers: [],
      photos: [],
      previous: null,
      root: NAME,
      signature: '',
      key: NAME,
    });
    const closed: EventBody = { kind: 'closed', number: 1, statement: NAME, covers: [], root: NAME };
    const after = (...bodies: EventBody[]) => stateOf(recordOf(...bodies));
    expect([
      after(),
      after(started('out')),
      after(started('out'), sealed('out')),
      after(sealed('out'), { kind: 'castOff' }),
      after({ kind: 'castOff' }, { kind: 'cameIn' }),
      after({ kind: 'cameIn' }, sealed('in')),
      after(sealed('in'), closed),
    ]).toEqual(['booked', 'walkingOut', 'readyToGo', 'out', 'walkingIn', 'settling', 'closed']);
  });

  it('puts what comes above the waterline, the next thing lowest, and what is out under it, the least time left first', () => {
    const board = boardOf(
      [
        hire('late', { from: '2026-06-13T14:00:00.000Z' }),
        hire('soon', {}),
        out('a', '2026-06-13T08:42:00.000Z', '2026-06-13T12:42:00.000Z'),
        out('b', '2026-06-13T09:00:00.000Z', '2026-06-13T11:03:00.000Z'),
      ],
      NOW,
    );
    expect(board.coming.map((one) => one.hire.id)).toEqual(['late', 'soon']);
    expect(board.afloat.map(({ hire: { id }, minutesLeft, share, over }) => [id, minutesLeft, Math.round(share * 100), over])).toEqual([
      ['b', 21, 83, false],
      ['a', 120, 50, false],
    ]);
    expect(board.been.map((one) => one.hire.id)).toEqual(['b', 'a']);
    expect(board.next).toMatchObject({ doing: 'walkIn', hire: { id: 'b' } });
  });

  it('names who is over time first, then what has been begun', () => {
    const over = out('over', '2026-06-13T06:00:00.000Z', '2026-06-13T10:16:00.000Z');
    expect(boardOf([over, hire('x', { state: 'walkingIn' })], NOW).next).toMatchObject({ doing: 'walkIn', hire: { id: 'over' } });
    expect(boardOf([hire('x', { state: 'readyToGo' }), hire('y', {})], NOW).next).toMatchObject({ doing: 'castOff' });
    expect(boardOf([hire('y', { from: '2026-06-13T10:50:00.000Z' })], NOW).next).toMatchObject({ doing: 'walkOut' });
    expect(boardOf([], NOW).next).toBeUndefined();
  });

  it('then the nearest in time, begun or not, with its hour; money waits till nobody does', () => {
    const soon = hire('soon', { from: '2026-06-13T10:55:00.000Z' });
    const begun = hire('begun', { state: 'readyToGo', from: '2026-06-13T12:30:00.000Z' });
    const settling = hire('paper', { state: 'settling' });
    expect(boardOf([begun, settling, soon], NOW).next).toMatchObject({ doing: 'walkOut', hire: { id: 'soon' }, at: soon.from });
    expect(boardOf([begun, settling], NOW).next).toMatchObject({ doing: 'castOff', at: begun.from });
    expect(boardOf([settling], NOW).next).toMatchObject({ doing: 'settle', hire: { id: 'paper' } });
    const back = hire('back', { state: 'walkingIn', from: '2026-06-13T07:00:00.000Z' });
    expect(boardOf([soon, back], NOW).next).toMatchObject({ doing: 'goOnIn' });
  });

  it('lists a boat at the quay or on the water, not both, and what she needs before she goes again', () => {
    const board = boardOf(
      [
        hire('out', { boat: 'Bun', state: 'out' }),
        hire('ready', { boat: 'Bun', state: 'readyToGo' }),
        hire('paper', { boat: 'Bun', state: 'settling', openWork: 2 }),
        hire('done', { boat: 'Otter', state: 'closed', openWork: 3 }),
        hire('clean', { boat: 'Pickle', state: 'closed', openWork: 0 }),
      ],
      NOW,
    );
    expect(board.atTheQuay).toEqual([]);
    expect(board.coming).toMatchObject([{ hire: { id: 'ready' }, notBack: true }]);
    expect(board.toSettle.map(({ id }) => id)).toEqual(['paper']);
    expect(board.toTurnRound.map(({ id }) => id)).toEqual(['done']);
    // Nobody is sent to walk out a boat that is not there.
    expect(board.next).toMatchObject({ doing: 'walkIn', hire: { id: 'out' } });
  });

  it('says of a hire whose boat is still out that she is not back yet', () => {
    const board = boardOf(
      [
        hire('a', { boat: 'Bun', state: 'out' }),
        hire('b', { boat: 'Bun' }),
        hire('c', { boat: 'Otter', from: '2026-06-13T13:00:00.000Z' }),
      ],
      NOW,
    );
    expect(board.coming.map((one) => [one.hire.id, one.notBack])).toEqual([
      ['c', false],
      ['b', true],
    ]);
  });
});
