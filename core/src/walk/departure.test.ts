import { bookOfDemo, recordOf } from '../testing/demoHire';
import { departureOf } from './departure';
import type { EventBody } from '../record/event';
import { findingsOf, needsDecision } from '../findings/findings';

const book = bookOfDemo('quiet-pickle', 'any-boat', 'electric-5');
const HIRED = { from: '2026-06-13T08:00:00.000Z', to: '2026-06-13T16:00:00.000Z' };
const counted = (walk: 'out' | 'in'): EventBody[] =>
  book.fittings.map((fitting) => ({ kind: 'counted', walk, fitting: fitting.id, count: 0, state: 'fine' }) as EventBody);
const back: EventBody[] = [
  { kind: 'walkStarted', walk: 'in' } as EventBody,
  ...counted('in'),
  ...book.gauges.map((gauge) => ({ kind: 'gaugeRead', walk: 'in', gauge: gauge.id, shown: 1 }) as EventBody),
  ...book.propellers.map(
    (propeller) =>
      ({ kind: 'evidenceGiven', walk: 'in', propeller: propeller.id, state: 'flawOverLimit', photos: [] }) as unknown as EventBody,
  ),
];

describe('a return without departure', () => {
  it('says what is known of how she left', () => {
    expect(departureOf(recordOf(...back))).toBe('nothing');
    expect(departureOf(recordOf({ kind: 'cameIn' }))).toBe('nothing');
    expect(departureOf(recordOf({ kind: 'walkStarted', walk: 'out' } as EventBody, ...back))).toBe('nothing');
    expect(departureOf(recordOf(...counted('out'), ...back))).toBe('unsigned');
  });
  it('is no question as long as she has not come back', () => {
    expect(departureOf(recordOf())).toBe('notAsked');
    expect(departureOf(recordOf(...counted('out'), { kind: 'castOff' }))).toBe('notAsked');
  });
  it('calls nothing missing or new, and charges nothing that hangs on how she left', () => {
    const findings = findingsOf(recordOf(...back), book, HIRED);
    expect(findings.filter(({ topic }) => topic === 'count')).toEqual([]);
    const screw = findings.filter((one) => one.topic === 'propeller');
    expect(screw).toHaveLength(book.propellers.length);
    for (const one of screw) expect([one.is, one.chargeable, needsDecision(one)]).toEqual(['cannotTell', false, true]);
    for (const one of findings) if (one.topic === 'fuel') expect(one.is).toBe('notRead');
  });
  it('the same return after a departure is short of everything', () => {
    const full = book.fittings.map(
      (fitting) => ({ kind: 'counted', walk: 'out', fitting: fitting.id, count: 2, state: 'fine' }) as EventBody,
    );
    const missing = findingsOf(recordOf(...full, ...back), book, HIRED).filter(({ topic }) => topic === 'count');
    expect(missing).toHaveLength(book.fittings.length);
  });
});
