import fc from 'fast-check';
import { type Incoming, newestOf, type Planned, planOf, type Taken } from './incoming';
import { Timeline } from './timeline';

const NOW = Date.parse('2026-06-13T10:00:00.000Z');
const HOUR = 3_600_000;
const at = (hours: number) => new Date(NOW + hours * HOUR).toISOString();
const people = new Map([
  ['a', 6],
  ['b', 4],
]);
const one = (key: string, part: Partial<Incoming> = {}): Incoming => ({
  ...{ key, sequence: 0, cancelled: false, boat: 'a', from: at(1), to: at(3), renter: key, contact: '', adults: 2, children: 0, notes: '' },
  ...part,
});
const takenAs = (hire: string, was: Incoming, now: Partial<Taken['now']> = {}): Taken => ({
  ...{ key: was.key, hire, sequence: was.sequence, was },
  now: { ...was, version: 1, state: 'before', ...now },
});
const booked = (taken: readonly Taken[]) =>
  taken
    .filter(({ now }) => now.state !== 'cancelled')
    .map(({ hire, now }) => ({ id: hire, boat: String(now.boat), from: Date.parse(String(now.from)), to: Date.parse(String(now.to)) }));
const plan = (incoming: Incoming[], taken: Taken[] = [], more: ReturnType<typeof booked> = []) =>
  planOf(incoming, taken, [...booked(taken), ...more], people, NOW);
const said = (planned: readonly Planned[]) => planned.map((step) => [step.key, step.is === 'conflict' ? step.why : step.is]);

describe('a boat’s time', () => {
  const span = fc.record({ boat: fc.constantFrom('a', 'b'), from: fc.nat(50), long: fc.integer({ min: 1, max: 12 }) });

  it('is answered as by going through all of it', () => {
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 30 }),
        fc.array(span, { maxLength: 30 }),
        fc.nat(60),
        fc.integer({ min: 1, max: 9 }),
        (first, later, from, long) => {
          const named = [...first, ...later].map(({ boat, from: start, long: hours }, i) => ({
            boat,
            id: `s${i}`,
            from: start,
            to: start + hours,
          }));
          const timeline = new Timeline(named.slice(0, first.length));
          for (const { boat, ...rest } of named.slice(first.length)) timeline.give(boat, rest);
          const gone = named.filter((_, i) => i % 3 === 0);
          for (const { boat, id } of gone) timeline.free(boat, id);
          const left = named.filter((each) => !gone.includes(each));
          const oracle = left.filter((each) => each.boat === 'a' && each.from < from + long && each.to > from && each.id !== 's1');
          expect(
            timeline
              .overlapping('a', from, from + long, 's1')
              .map(({ id }) => id)
              .sort(),
          ).toEqual(oracle.map(({ id }) => id).sort());
        },
      ),
    );
  });
});

describe('what bookings of elsewhere would change', () => {
  it.each([
    ['a new one', [one('x')], [], [['x', 'new']]],
    ['one that was taken and has not changed', [one('x')], [takenAs('h1', one('x'))], [['x', 'same']]],
    ['one that was moved', [one('x', { to: at(4) })], [takenAs('h1', one('x'))], [['x', 'changed']]],
    ['one that was called off', [one('x', { cancelled: true, sequence: 1 })], [takenAs('h1', one('x'))], [['x', 'cancelled']]],
    ['one that was called off before anybody took it', [one('x', { cancelled: true })], [], [['x', 'past']]],
    [
      'an older word than the one that was taken',
      [one('x', { to: at(9), sequence: 1 })],
      [takenAs('h1', one('x', { sequence: 2 }))],
      [['x', 'same']],
    ],
    ['one that is not there any more', [], [takenAs('h1', one('x'))], [['x', 'gone']]],
    ['one that is over and not there any more', [], [takenAs('h1', one('x', { from: at(-9), to: at(-8) }))], []],
    ['one that was cancelled here', [one('x')], [takenAs('h1', one('x'), { state: 'cancelled' })], [['x', 'same']]],
    ['one whose walk has begun', [one('x', { to: at(4) })], [takenAs('h1', one('x'), { state: 'begun' })], [['x', 'begun']]],
    ['one that was changed here as well', [one('x', { to: at(4) })], [takenAs('h1', one('x'), { to: at(5) })], [['x', 'changedHere']]],
    ['one that was changed here in the same way', [one('x', { to: at(4) })], [takenAs('h1', one('x'), { to: at(4) })], [['x', 'changed']]],
    [
      'one that was changed here in another way',
      [one('x', { to: at(4) })],
      [takenAs('h1', one('x'), { notes: 'ours' })],
      [['x', 'changed']],
    ],
    ['one over the plate', [one('x', { boat: 'b', adults: 5 })], [], [['x', 'overPlate']]],
    ['one that ends before it begins', [one('x', { to: at(0) })], [], [['x', 'backwards']]],
    ['one of half a year', [one('x', { to: at(24 * 180) })], [], [['x', 'tooLong']]],
    ['one of last year', [one('x', { from: at(-9000), to: at(-8999) })], [], [['x', 'past']]],
    ['one that is moved into last year', [one('x', { from: at(-9000), to: at(-8999) })], [takenAs('h1', one('x'))], [['x', 'longPast']]],
  ] as const)('%s', (_, incoming, taken, expected) => {
    expect(said(plan([...incoming], [...taken]))).toEqual(expected);
  });

  it('comes again after it was called off there, not after it was here', () => {
    const off = takenAs('h1', one('x', { cancelled: true }), { state: 'cancelled' });
    expect(plan([one('x', { sequence: 2 })], [off])).toMatchObject([{ is: 'changed', again: true, hire: 'h1' }]);
  });

  it('makes room first: who leaves a boat goes before who gets her, in whatever order they stand', () => {
    const [x, y] = [takenAs('h1', one('x')), takenAs('h2', one('y', { from: at(5), to: at(7) }))];
    const moves = [one('y', { from: at(1), to: at(3) }), one('x', { from: at(9), to: at(11) })];
    expect(said(plan(moves, [x, y]))).toEqual([
      ['x', 'changed'],
      ['y', 'changed'],
    ]);
    // Two that swap their times wait for each other.
    const swap = [one('x', { from: at(5), to: at(7) }), one('y', { from: at(1), to: at(3) })];
    expect(said(plan(swap, [x, y]))).toEqual([
      ['y', 'taken'],
      ['x', 'taken'],
    ]);
  });

  it('names who is in the way: hires, and others of the same table', () => {
    const more = [{ id: 'h9', boat: 'a', from: NOW + HOUR, to: NOW + 2 * HOUR }];
    expect(plan([one('x')], [], more)).toMatchObject([{ is: 'conflict', why: 'taken', with: ['h9'] }]);
    expect(plan([one('x'), one('y', { from: at(2), to: at(4) })])).toMatchObject([{ is: 'new' }, { is: 'conflict', with: ['x'] }]);
  });

  it('never gives a boat away twice, and leaves nobody out who has room', () => {
    const booking = fc.record({
      key: fc.constantFrom('p', 'q', 'r', 's', 't'),
      boat: fc.constantFrom('a', 'b'),
      from: fc.integer({ min: 1, max: 30 }),
      long: fc.integer({ min: 1, max: 8 }),
      cancelled: fc.boolean(),
    });
    const distinct = fc.uniqueArray(booking, { selector: ({ key }) => key, maxLength: 5 });
    const toIncoming = ({
      key,
      boat,
      from,
      long,
      cancelled,
    }: {
      key: string;
      boat: string;
      from: number;
      long: number;
      cancelled: boolean;
    }) => one(key, { boat, from: at(from), to: at(from + long), cancelled });
    fc.assert(
      fc.property(distinct, distinct, (before, after) => {
        // What was taken before did not overlap.
        const kept: Taken[] = [];
        for (const each of before.filter(({ cancelled }) => !cancelled).map(toIncoming))
          if (!kept.some(({ was }) => was.boat === each.boat && String(was.from) < each.to && each.from < String(was.to)))
            kept.push(takenAs(`h-${each.key}`, each));
        const planned = plan(after.map(toIncoming), kept);
        const now = new Map(kept.map(({ hire, was }) => [hire, was as Incoming]));
        const meets = (mine: Incoming, id: string) =>
          [...now].filter(([other, each]) => other !== id && each.boat === mine.boat && each.from < mine.to && mine.from < each.to);
        for (const step of planned) {
          const id = step.hire ?? `h-${step.key}`;
          if (step.is === 'cancelled') now.delete(id);
          if (step.is !== 'new' && step.is !== 'changed') continue;
          expect(meets(step.incoming!, id)).toEqual([]);
          now.set(id, step.incoming!);
        }
        for (const step of planned)
          if (step.is === 'conflict') expect(meets(step.incoming!, step.hire ?? `h-${step.key}`).length).toBeGreaterThan(0);
        expect(planned.map(({ key }) => key).sort()).toEqual(
          [...new Set([...after.map(({ key }) => key), ...kept.map(({ key }) => key)])].sort(),
        );
      }),
    );
  });

  it('goes by the newest of several words about one', () => {
    const word = (sequence: number, stamp: string) => ({ key: 'x', sequence, stamp });
    expect(newestOf([word(1, '2'), word(2, '1'), word(2, '0'), word(0, '9')])).toEqual([word(2, '1')]);
  });
});
