import type { Mark } from '../condition/marks';
import { findingsOf } from '../findings/findings';
import { type EventBody, type StoredHireEvent } from '../record/event';
import { project } from '../record/project';
import { bookOfWork } from '../testing/workBook';
import { defectsOf, workOf } from './work';

const START = Date.parse('2026-06-13T08:00:00.000Z');
const storedOf = (body: EventBody, n: number, replaces: string[] = []): StoredHireEvent => ({
  event: {
    id: `01890000-0000-7000-8000-${String(n).padStart(12, '0')}`,
    v: 1,
    stream: 'h',
    device: 'd',
    deviceSeq: n,
    at: new Date(START + n * 60_000).toISOString(),
    bookVersion: 1,
    replaces,
    body,
  },
  actor: { id: 'bram', role: 'hand' },
});
const recordOf = (...bodies: EventBody[]) => project(bodies.map((body, i) => storedOf(body, i + 1)));
const workFrom = (...bodies: EventBody[]) => {
  const record = recordOf(...bodies);
  return workOf(record, bookOfWork, findingsOf(record, bookOfWork, { from: '2026-06-13T08:00:00.000Z', to: '2026-06-13T16:00:00.000Z' }));
};
const counted = (walk: 'out' | 'in', fitting: string, count: number): EventBody => ({
  kind: 'counted',
  walk,
  fitting,
  count,
  state: 'fine',
});
const mark = (over: Partial<Mark> = {}): Mark => ({
  id: 'm',
  surface: 'side',
  x: 0.5,
  y: 0.5,
  kind: 'crack',
  sizeMm: 60,
  photos: [],
  ...over,
});
const reported: EventBody = { kind: 'reported', what: 'fault', note: 'Steering is stiff', station: 'stern', photos: [] };

describe('what must happen before the next hire', () => {
  it('is what is missing, new flaws, tanks and what was reported; what holds her stands first', () => {
    const work = workFrom(
      counted('out', 'ring', 1),
      counted('in', 'ring', 0),
      counted('out', 'bags', 6),
      counted('in', 'bags', 2),
      { kind: 'gaugeRead', walk: 'in', gauge: 'wasteLevel', shown: 80 },
      { kind: 'markPlaced', walk: 'in', mark: mark({ kind: 'scratch' }) },
      reported,
    );
    expect(work.map(({ is, unsafe }) => [is, unsafe])).toEqual([
      ['replace', true],
      ['fault', true],
      ['repair', false],
      ['replace', false],
      ['pumpOut', false],
    ]);
    expect(work.find(({ is }) => is === 'pumpOut')).toMatchObject({ tank: 'waste', litres: 48 });
  });

  it('puts back what lies elsewhere', () => {
    const found: EventBody = { kind: 'counted', walk: 'in', fitting: 'bags', count: 6, state: 'fine', at: 'stern' };
    expect(workFrom(counted('out', 'bags', 6), found)).toMatchObject([{ is: 'putBack', fitting: 'bags', unsafe: false }]);
  });

  it('leaves out what somebody decided to be no damage, and what is full enough', () => {
    expect(workFrom({ kind: 'markPlaced', walk: 'in', mark: mark() })).toHaveLength(1);
    expect(
      workFrom(
        { kind: 'markPlaced', walk: 'in', mark: mark() },
        { kind: 'findingDecided', finding: 'mark/m', decision: 'notDamage' },
        { kind: 'gaugeRead', walk: 'in', gauge: 'wasteLevel', shown: 20 },
      ),
    ).toEqual([]);
  });

  it('holds the next hire for a flaw or a fault until it is done, and by nothing else for what counting finds anyway', () => {
    const before: EventBody[] = [
      counted('out', 'ring', 1),
      counted('in', 'ring', 0),
      { kind: 'markPlaced', walk: 'in', mark: mark() },
      reported,
    ];
    const open = workFrom(...before);
    expect(defectsOf('h', open).map(({ is }) => is)).toEqual(['repair', 'said']);
    const fault = open.find(({ is }) => is === 'fault')!.key;
    expect(defectsOf('h', workFrom(...before, { kind: 'workDone', work: fault, photos: ['a'.repeat(64)] })).map(({ is }) => is)).toEqual([
      'repair',
    ]);
    expect(defectsOf('h', workFrom(...before, { kind: 'workJudged', work: 'mark/m', unsafe: false })).map(({ is }) => is)).toEqual([
      'said',
    ]);
    // Somebody may find that a scratch holds her after all.
    const scratch = workFrom(
      { kind: 'markPlaced', walk: 'in', mark: mark({ kind: 'scratch' }) },
      { kind: 'workJudged', work: 'mark/m', unsafe: true },
    );
    expect(defectsOf('h', scratch)).toMatchObject([{ is: 'repair', hire: 'h', key: 'mark/m', station: 'bow' }]);
  });

  it('is done after the closing, and undone after it, without being a correction of what was settled', () => {
    const bodies: EventBody[] = [
      { kind: 'markPlaced', walk: 'in', mark: mark() },
      { kind: 'closed', number: 1, statement: 'a'.repeat(64), covers: [storedOf(reported, 1).event.id], root: 'b'.repeat(64) },
      { kind: 'workDone', work: 'mark/m', photos: [] },
    ];
    const record = recordOf(...bodies);
    expect(record.proposed).toEqual([]);
    const findings = findingsOf(record, bookOfWork, { from: '2026-06-13T08:00:00.000Z', to: '2026-06-13T16:00:00.000Z' });
    expect(workOf(record, bookOfWork, findings)[0]!.done).toMatchObject({ by: 'bram' });
    const undone = project([
      ...bodies.map((body, i) => storedOf(body, i + 1)),
      storedOf({ kind: 'undone' }, 9, [storedOf(reported, 3).event.id]),
    ]);
    expect(undone.proposed).toEqual([]);
    expect(workOf(undone, bookOfWork, findings)[0]!.done).toBeUndefined();
  });
});
