import { fillsOf, fuelOf, fuelTanks, hoursRun } from '../fuel/readings';
import { marksOf } from '../condition/placed';
import type { Book } from '../fleet/book';
import { mergeBooks } from '../fleet/merge';
import { type EventBody, type StoredHireEvent } from '../record/event';
import type { Actor } from '../events/stored';
import { project } from '../record/project';
import { holdsOf, keyOfHold, overrideOf, mattersOf } from '../castOff/hold';
import { nextOpen, walkState } from './walk';

const resolved = mergeBooks(
  [
    {
      format: 'quay-class-book/1',
      id: 'pontoon',
      name: 'Pontoon',
      kind: 'pontoon',
      plan: { lengthM: 7, beamM: 2.5, strokes: [{ draw: 'box', at: [0, -1], size: [7, 2] }] },
      plate: { people: 10, loadKg: 800 },
      engine: { kind: 'outboard', burnLPerHour: 10 },
      stations: [
        { id: 'bow', name: { en: 'Bow' }, at: [6, 0] },
        { id: 'stern', name: { en: 'Stern' }, at: [0.5, 0] },
      ],
      surfaces: [{ id: 'side', station: 'bow', name: { en: 'Side' }, widthM: 7, heightM: 1, strokes: [], stuff: 'aluminium' }],
      tanks: [{ id: 'petrol', name: { en: 'Petrol' }, holds: 'petrol', capacityL: 100 }],
      gauges: [
        { id: 'needle', station: 'stern', name: { en: 'Needle' }, reads: 'needle', tank: 'petrol', min: 0, max: 1 },
        { id: 'line', station: 'stern', name: { en: 'Line' }, reads: 'sightLine', tank: 'petrol', min: 0, max: 100 },
        { id: 'hours', station: 'stern', name: { en: 'Hours' }, reads: 'counter', min: 0, max: 9999 },
      ],
      propellers: [
        {
          id: 'prop',
          station: 'stern',
          name: { en: 'Propeller' },
          evidence: 'legUp',
          outWhen: { en: 'up' },
          inWhen: { en: 'up' },
          limitMm: 5,
        },
      ],
      fittings: [{ id: 'jacket', station: 'bow', name: { en: 'Jackets' }, kind: 'required', count: 8, safety: true, expiry: '2027-05' }],
      points: [
        { id: 'gate', station: 'bow', weight: 'must', seconds: 20, say: { en: 'Shut the gate.' } },
        { id: 'view', station: 'bow', weight: 'spare', seconds: 20, say: { en: 'The view.' } },
      ],
    },
  ],
  { format: 'quay-boat-book/1', id: 'bun', class: 'pontoon', name: 'Bun', base: 'quay', hullNumber: '1' },
);
const book: Book = resolved.ok ? resolved.book : fail();
function fail(): never {
  throw new Error('the book does not resolve');
}

const record = (...rows: (EventBody | [EventBody, Actor['role']])[]) =>
  project(
    rows.map((row, i): StoredHireEvent => {
      const [body, role] = Array.isArray(row) ? row : [row, 'hand' as const];
      const n = String(i + 1).padStart(12, '0');
      return {
        event: {
          id: `00000000-0000-7000-8000-${n}`,
          v: 1,
          stream: 'h',
          device: 'd',
          deviceSeq: i + 1,
          at: new Date(Date.parse('2026-06-13T08:00:00.000Z') + i * 1000).toISOString(),
          bookVersion: 1,
          replaces: [],
          body,
        },
        actor: { id: role, role },
      };
    }),
  );
const jackets = (count: number): EventBody => ({ kind: 'counted', walk: 'out', fitting: 'jacket', count, state: 'fine' });
const read = (gauge: string, shown: number, walk: 'out' | 'in' = 'out'): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });

describe('a walk as far as it has come', () => {
  it('says what each stop still lacks, and briefs nobody coming in', () => {
    const out = walkState(record(jackets(8)), book, 'out');
    expect(out.map(({ station, left }) => [station.id, left])).toEqual([
      ['bow', 2],
      ['stern', 4],
    ]);
    expect(out[0]!.missing).toMatchObject({ points: ['gate'], fittings: [], surfaces: ['side'] });
    expect(walkState(record(), book, 'in')[0]!.missing.points).toEqual([]);
  });

  it('reads fuel, hours and fills off the record', () => {
    const one = record(
      read('needle', 0.9),
      read('line', 90),
      read('hours', 100),
      { kind: 'fuelFilled', tank: 'petrol', litres: 10, brim: false, by: 'renter' },
      { kind: 'fuelFilled', tank: 'petrol', litres: 5, brim: false, by: 'renter' },
      read('needle', 0.75, 'in'),
      read('line', 75, 'in'),
      read('hours', 103, 'in'),
    );
    expect(hoursRun(one, book)).toBe(3);
    expect(fillsOf(one, 'petrol', 'renter').map(({ litres }) => litres)).toEqual([10, 5]);
    // A tank whose name another's begins with is another tank.
    const heater = record({ kind: 'fuelFilled', tank: 'petrol-heater', litres: 8, brim: true, by: 'renter' });
    expect(fillsOf(heater, 'petrol', 'renter')).toEqual([]);
    const fuel = fuelOf(one, book, fuelTanks(book)[0]!)!;
    expect(fuel.used!.value).toBeGreaterThan(26);
    expect(fuel.used!.value).toBeLessThan(34);
    expect(fuelOf(record(), book, fuelTanks(book)[0]!)).toBeUndefined();
    expect(marksOf(one, 'out')).toEqual([]);
  });
});

describe('what holds her', () => {
  const holds = (...rows: Parameters<typeof record>) => holdsOf(record(...rows), book, '2027-05-31').map((hold) => hold.is);
  it('is a safety item short or out of date, a word of somebody’s, a conflict', () => {
    expect(holds(jackets(8))).toEqual([]);
    expect(holds(jackets(7))).toEqual(['safetyFitting']);
    expect(holdsOf(record(jackets(8)), book, '2027-06-01').map((hold) => hold.is)).toEqual(['safetyFitting']);
    expect(holds(jackets(8), { kind: 'boatHeld', why: 'fog' })).toEqual(['said']);
    expect(holds(jackets(8), jackets(9))).toEqual(['conflict']);
  });

  const flaw = (sizeMm: number): EventBody => ({
    kind: 'evidenceGiven',
    walk: 'out',
    propeller: 'prop',
    state: 'flawOverLimit',
    sizeMm,
    photos: [],
  });
  const overridden = (matter: string): EventBody => ({ kind: 'holdOverridden', matter, why: 'spare prop aboard' });

  it('is a propeller over the limit, until a manager, not a hand, lets her go with it', () => {
    const key = keyOfHold({ is: 'propeller', propeller: 'prop', sizeMm: 9 });
    expect(holds(flaw(9))).toEqual(['propeller']);
    expect(holds(flaw(9), [overridden(key), 'hand'])).toEqual(['propeller']);
    expect(holds(flaw(9), [overridden(key), 'manager'])).toEqual([]);
    expect(overrideOf(record(flaw(9), [overridden(key), 'manager']), key)).toMatchObject({ why: 'spare prop aboard', by: 'manager' });
  });

  it('comes back when what a manager let go has become worse', () => {
    const [matter] = mattersOf(record(jackets(7)), book, '2027-05-31');
    const let7: [EventBody, 'manager'] = [overridden(keyOfHold(matter!)), 'manager'];
    expect(holds(jackets(7), let7)).toEqual([]);
    expect(holds(jackets(6), let7)).toEqual(['safetyFitting']);
    const let9: [EventBody, 'manager'] = [overridden(keyOfHold({ is: 'propeller', propeller: 'prop', sizeMm: 9 })), 'manager'];
    expect(holds(flaw(12), let9)).toEqual(['propeller']);
  });

  it('is never lifted for the plate, a jacket or the driver, whoever says so', () => {
    for (const matter of ['tooMany', 'noJacket', 'crew', 'crew/noLicence'])
      expect(overrideOf(record([overridden(matter), 'manager']), matter)).toBeUndefined();
  });
});

describe('the stop to go on to', () => {
  const stops = (completed: string) => [...completed].map((one) => ({ completed: one === 'x' }));
  it('is the next loose one, else one that was passed over, and none when only this one is left', () => {
    expect(nextOpen(stops('....'), 1)).toBe(2);
    expect(nextOpen(stops('..x.'), 1)).toBe(3);
    expect(nextOpen(stops('.xxx'), 3)).toBe(0);
    expect(nextOpen(stops('xx.x'), 2)).toBeUndefined();
  });
});
