import { counted as countedKind } from '../condition/events';
import fc from 'fast-check';
import type { EventBody } from './event';
import type { StoredHireEvent } from './event';
import { currentOf } from '../events/record';
import { project } from './project';
import { replacedBy } from './project';

const idOf = (n: number) => `${n.toString(16).padStart(8, '0')}-0000-7000-8000-000000000000`;
const START = Date.parse('2026-06-13T08:00:00.000Z');
const held = (n: number, device: string, body: EventBody, replaces: readonly string[]): StoredHireEvent => ({
  event: {
    id: idOf(n),
    v: 1,
    stream: 'h1',
    device,
    deviceSeq: n + 1,
    at: new Date(START + n * 10).toISOString(),
    bookVersion: 1,
    replaces: [...replaces],
    body,
  },
  actor: { id: 'ada', role: 'hand' },
});
const counted = (count: number): EventBody => ({ kind: 'counted', walk: 'out', fitting: 'fenders', count, state: 'fine' });
const drawnOf = (events: readonly StoredHireEvent[]) => ({ record: project(events), events });
const currentCount = (all: readonly StoredHireEvent[]) => currentOf(project(all), ['out', 'count', 'fenders'], countedKind);

/** One phone that enters what it likes or takes back its last entry, each time with a page that is some entries behind. */
const presses = fc.array(fc.record({ count: fc.nat(9), behind: fc.nat(4), undo: fc.boolean() }), { minLength: 1, maxLength: 25 });

describe('what a new entry replaces', () => {
  it('is all that the same phone entered before: however fast, it never disagrees with itself, and the last entry stands', () => {
    fc.assert(
      fc.property(presses, (all) => {
        const made: StoredHireEvent[] = [];
        for (const { count, behind, undo } of all) {
          const drawn = made.slice(0, Math.max(0, made.length - behind));
          const since = made.slice(drawn.length);
          const last = made.findLast(({ event }) => event.body.kind === 'counted');
          if (undo && last) made.push(held(made.length, 'd1', { kind: 'undone' }, [last.event.id]));
          else {
            const body = counted(count);
            made.push(held(made.length, 'd1', body, replacedBy(body, drawnOf(drawn), since)));
            expect(currentCount(made)?.value.count).toBe(count);
          }
          expect(project(made).conflicts).toEqual([]);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('is not what another phone entered and nobody here has seen', () => {
    const first = held(0, 'd1', counted(4), []);
    const theirs = held(1, 'd2', counted(3), [first.event.id]);
    const body = counted(5);
    const ours = held(2, 'd1', body, replacedBy(body, drawnOf([first]), []));
    expect(ours.event.replaces).toEqual([first.event.id]);
    expect(project([first, theirs, ours]).conflicts).toHaveLength(1);
  });

  it('is nothing for what is kept beside what is there, and for an undo', () => {
    const filled: EventBody = { kind: 'fuelFilled', tank: 'petrol', litres: 5, brim: true, by: 'operator' };
    expect(replacedBy(filled, drawnOf([held(0, 'd1', filled, [])]), [])).toEqual([]);
    expect(replacedBy({ kind: 'undone' }, drawnOf([held(0, 'd1', counted(1), [])]), [])).toEqual([]);
  });
});
