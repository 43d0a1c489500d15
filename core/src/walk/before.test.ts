import type { Mark } from '../condition/marks';
import { demoCase, heldBy, recordOf } from '../testing/demoHire';
import { beforeOf, carried } from './before';
import type { EventBody } from '../record/event';
import { project } from '../record/project';

const { book } = demoCase;
const mark = (id: string, x: number): Mark => ({
  id,
  surface: 'port-side',
  x,
  y: 0.5,
  kind: 'scratch',
  sizeMm: 100,
  photos: ['a'.repeat(64)],
});
const placed = (walk: 'out' | 'in', one: Mark): EventBody => ({ kind: 'markPlaced', walk, mark: one });
const read = (walk: 'out' | 'in', gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });
const looked = (walk: 'out' | 'in', sha: string): EventBody => ({ kind: 'surfaceSeen', walk, surface: 'port-side', photos: [sha] });
const sealed = (walk: 'out' | 'in', covers: readonly string[]): EventBody => ({
  kind: 'sealed',
  walk,
  covers: [...covers],
  photos: [],
  previous: null,
  root: 'b'.repeat(64),
  signature: 'x',
  key: 'c'.repeat(64),
});
const sealedRecord = (...bodies: EventBody[]) => {
  const stored = heldBy('hand', bodies);
  const all = stored.map(({ event }) => event.id);
  const seal = heldBy('hand', [...bodies, sealed('in', all)]).at(-1)!;
  return project([...stored, seal]);
};

describe('what a boat’s last record leaves to the next hire', () => {
  it('are the marks of the return and those nobody saw again, the counters and the last pictures', () => {
    const record = sealedRecord(
      placed('out', mark('old', 0.2)),
      placed('out', mark('unseen', 0.8)),
      read('out', 'hours', 100),
      looked('out', 'd'.repeat(64)),
      placed('in', mark('old', 0.2)),
      placed('in', mark('new', 0.5)),
      read('in', 'hours', 103),
      looked('in', 'e'.repeat(64)),
    );
    const before = beforeOf('h-1', record, book);
    expect(before.marks.map(({ id }) => id).sort()).toEqual(['new', 'old', 'unseen']);
    expect(before.shown).toEqual({ hours: 103 });
    expect(before.pictures['port-side']).toBe('e'.repeat(64));
  });

  it('of a hire that was only walked out is its departure', () => {
    const before = beforeOf('h-1', recordOf(placed('out', mark('old', 0.2)), read('out', 'hours', 100)), book);
    expect(before.marks.map(({ id }) => id)).toEqual(['old']);
    expect(before.shown).toEqual({ hours: 100 });
    expect(before.pictures).toEqual({});
  });

  it('stands pale on a surface until it is confirmed under its own name', () => {
    const before = beforeOf('h-1', recordOf(placed('out', mark('old', 0.2)), placed('out', mark('other', 0.7))), book);
    expect(carried(recordOf(), before, 'port-side').map(({ id }) => id)).toEqual(['old', 'other']);
    expect(carried(recordOf(placed('out', mark('old', 0.21))), before, 'port-side').map(({ id }) => id)).toEqual(['other']);
    expect(carried(recordOf(), before, 'console')).toEqual([]);
    expect(carried(recordOf(), undefined, 'port-side')).toEqual([]);
  });
});
