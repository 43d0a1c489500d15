import { counted } from '../condition/events';
import fc from 'fast-check';
import type { HireEvent } from './event';
import type { StoredHireEvent } from './event';
import { currentOf } from '../events/record';
import { project } from './project';
import { undoneIds } from '../events/undone';

const undoneIn = (all: readonly StoredHireEvent[]) => undoneIds(all, ({ event }) => event.body.kind === 'undone');
const idOf = (n: number) => `${n.toString(16).padStart(8, '0')}-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
const made = (n: number, body: HireEvent['body'], replaces: number[] = []): StoredHireEvent => ({
  event: {
    id: idOf(n),
    v: 1,
    stream: 'h1',
    device: 'd1',
    deviceSeq: n + 1,
    at: '2026-06-13T08:00:00.000Z',
    bookVersion: 1,
    replaces: replaces.map(idOf),
    body,
  },
  actor: { id: 'ada', role: 'hand' },
});
const count: HireEvent['body'] = { kind: 'counted', walk: 'out', fitting: 'hook', count: 1, state: 'fine' };
const undo: HireEvent['body'] = { kind: 'undone' };

describe('what undo has taken away', () => {
  it('is what recursion over short chains without rings says', () => {
    // Each may name only older ones: no rings.
    const chains = fc.array(fc.array(fc.nat(), { maxLength: 3 }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(chains, (rows) => {
        const stored = rows.map((named, n) =>
          n === 0
            ? made(0, count)
            : made(
                n,
                undo,
                named.map((one) => one % n),
              ),
        );
        const isUndone = (n: number): boolean => rows.some((named, by) => by > 0 && named.some((one) => one % by === n) && !isUndone(by));
        expect([...undoneIn(stored)].sort()).toEqual(rows.flatMap((_, n) => (isUndone(n) ? [idOf(n)] : [])).sort());
      }),
      { numRuns: 300 },
    );
  });

  it('comes out the same in any order, rings and self-naming ones included', () => {
    const any = fc.array(fc.array(fc.nat({ max: 11 }), { maxLength: 4 }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(
        any.chain((rows) =>
          fc.tuple(
            fc.constant(rows),
            fc.shuffledSubarray(
              rows.map((_, n) => n),
              { minLength: rows.length },
            ),
          ),
        ),
        ([rows, order]) => {
          const added = rows.map((named, n) => made(n, undo, named));
          const expected = [...undoneIn(added)].sort();
          expect([...undoneIn(order.map((n) => added[n]!))].sort()).toEqual(expected);
          // Whoever is undone was undone by one that counts.
          const gone = new Set(expected);
          for (const [n] of rows.entries()) {
            const undoers = rows.flatMap((named, by) => (by !== n && named.includes(n) ? [idOf(by)] : []));
            if (gone.has(idOf(n))) expect(undoers.some((by) => !gone.has(by))).toBe(true);
          }
        },
      ),
    );
  });

  it('takes a chain of 30,000 undos, each of the one before, and a record that is projected from it', () => {
    const added = [made(0, count), ...Array.from({ length: 30_000 }, (_, i) => made(i + 1, undo, [i]))];
    // An even number of undos leaves the count where it was.
    expect(currentOf(project(added), ['out', 'count', 'hook'], counted)?.value.count).toBe(1);
    expect(currentOf(project([...added, made(30_001, undo, [30_000])]), ['out', 'count', 'hook'], counted)).toBeUndefined();
  });
});
