import fc from 'fast-check';
import { pointBriefed } from '../briefing/events';
import { counted } from '../condition/events';
import { stateOf } from '../day/board';
import { currentOf, currentUnder, isEntered } from '../events/record';
import type { EventBody, StoredHireEvent } from '../record/event';
import { project } from '../record/project';
import { bookOfDemo, demoCase, heldBy } from '../testing/demoHire';
import { sameOnBoth } from './swap';

const idOf = (n: number) => `${n.toString(16).padStart(8, '0')}-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
const START = Date.parse('2026-06-13T08:00:00.000Z');
/** @param minute after eight @param boat that the phone thought it was */
const at = (n: number, minute: number, body: EventBody, boat?: string): StoredHireEvent => ({
  event: {
    id: idOf(n),
    v: 1,
    stream: 'h',
    device: body.kind === 'boatSwapped' ? 'quay' : 'd',
    deviceSeq: n + 1,
    at: new Date(START + minute * 60_000).toISOString(),
    bookVersion: 1,
    replaces: [],
    body,
    ...(boat === undefined ? {} : { boat }),
  },
  actor: { id: 'bram', role: body.kind === 'boatSwapped' ? 'quay' : 'hand' },
});
const swapped = (from: string, to: string, same: string[] = []): EventBody => ({ kind: 'boatSwapped', by: 'mina', from, to, same });
const started: EventBody = { kind: 'walkStarted', walk: 'out' };
const told = (point: string): EventBody => ({ kind: 'pointBriefed', walk: 'out', point, how: 'said', language: 'en' });
const count = (n: number): EventBody => ({ kind: 'counted', walk: 'out', fitting: 'hook', count: n, state: 'fine' });
const party: EventBody = { kind: 'partySet', sheet: 'a'.repeat(64), people: 2, children: 0 };
const off: EventBody = { kind: 'castOff' };

describe('a hire that is given another boat', () => {
  const walked = [at(1, 0, started), at(2, 1, told('kill-cord')), at(3, 2, told('gate')), at(4, 3, count(1)), at(5, 4, party)];

  it('keeps who comes and what was told of what is the same on both, and begins the rest anew', () => {
    const record = project([...walked, at(6, 10, swapped('one', 'two', ['point/kill-cord']))]);
    expect(stateOf(record)).toBe('booked');
    expect(isEntered(record, ['party'])).toBe(true);
    expect(currentUnder(record, ['out', 'point'], pointBriefed).map(({ value }) => value.point)).toEqual(['kill-cord']);
    expect(record.ofOtherBoat.map(({ event }) => event.id)).toEqual([idOf(1), idOf(3), idOf(4)]);
  });

  it('does not take what a phone without signal enters of the first boat afterwards for the second', () => {
    const later = [at(7, 20, count(3), 'one'), at(8, 21, off, 'one'), at(9, 22, started, 'two'), at(10, 23, count(2), 'two')];
    const record = project([...walked, at(6, 10, swapped('one', 'two')), ...later]);
    expect(currentOf(record, ['out', 'count', 'hook'], counted)?.value.count).toBe(2);
    expect(stateOf(record)).toBe('walkingOut');
    expect(record.ofOtherBoat.some(({ event }) => event.body.kind === 'castOff')).toBe(true);
  });

  it('has what was entered of its first boat again once it gets her back', () => {
    const back = [at(6, 10, swapped('one', 'two')), at(7, 11, count(2), 'two'), at(8, 12, swapped('two', 'one'))];
    const record = project([...walked, ...back]);
    expect(currentOf(record, ['out', 'count', 'hook'], counted)?.value.count).toBe(1);
    expect(stateOf(record)).toBe('walkingOut');
    expect(record.ofOtherBoat.map(({ event }) => event.id)).toEqual([idOf(7)]);
  });

  it('comes out the same in whatever order its entries come', () => {
    const all = [
      ...walked,
      at(6, 10, swapped('one', 'two', ['point/gate'])),
      at(7, 11, count(3), 'one'),
      at(8, 12, count(2), 'two'),
      at(9, 13, told('gate'), 'two'),
      at(10, 14, swapped('two', 'three', ['point/gate'])),
      at(11, 15, count(5), 'three'),
      at(12, 16, { kind: 'undone' }),
    ];
    const expected = JSON.stringify([...project(all).subjects]);
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (order) => {
        expect(JSON.stringify([...project(order).subjects].sort())).toBe(JSON.stringify((JSON.parse(expected) as unknown[]).sort()));
      }),
    );
    expect(currentUnder(project(all), ['out', 'point'], pointBriefed).map(({ value }) => value.point)).toEqual(['gate']);
  });
});

describe('what is the same on two boats', () => {
  const { book, base } = demoCase;
  it('is everything of a sister, and little of a boat of another kind', () => {
    const sister = sameOnBoth({ book, base }, { book, base });
    for (const { id } of book.points) expect(sister).toContain(`point/${id}`);
    const canal = bookOfDemo('copper-kettle', 'any-boat', 'live-aboard', 'canal-12');
    const other = sameOnBoth({ book, base }, { book: canal, base });
    expect(other.length).toBeLessThan(sister.length);
    for (const one of other.filter((key) => key.startsWith('point/'))) {
      const id = one.slice('point/'.length);
      expect(book.points.find((point) => point.id === id)).toEqual(canal.points.find((point) => point.id === id));
    }
  });

  it('is no longer what says something else, and no store of another base', () => {
    const [first, ...rest] = book.points;
    const changed = { ...book, points: [{ ...first!, say: { en: 'something else' } }, ...rest] };
    const found = sameOnBoth({ book, base }, { book: changed, base: { ...base, id: 'elsewhere' } });
    expect(found).not.toContain(`point/${first!.id}`);
    expect(found.some((key) => key.startsWith('store/'))).toBe(false);
    expect(sameOnBoth({ book, base }, { book, base }).filter((key) => key.startsWith('store/'))).toHaveLength(base.store.length);
  });
});

describe('a hire that is cancelled', () => {
  const cancelled: EventBody = { kind: 'hireCancelled', by: 'mina', why: 'noShow' };
  it('is that until it is reinstated, and is out where somebody left all the same', () => {
    const [first, second] = [at(1, 0, cancelled), at(2, 1, { kind: 'hireReinstated', by: 'mina' })];
    second.event.replaces = [first.event.id];
    expect(stateOf(project([first]))).toBe('cancelled');
    expect(stateOf(project([first, second]))).toBe('booked');
    expect(stateOf(project([first, at(3, 2, off)]))).toBe('out');
    expect(stateOf(project(heldBy('hand', [started])))).toBe('walkingOut');
  });
});
