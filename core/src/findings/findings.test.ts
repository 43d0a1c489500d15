import type { Finding } from './finding';
import type { Mark } from '../condition/marks';
import type { Book } from '../fleet/book';
import { type EventBody, type StoredHireEvent } from '../record/event';
import { findingsOf, needsDecision, unchangedCount } from './findings';
import { pageDigest, pageOf } from '../walk/readback';
import { isRentersWord, isUnsigned } from './whoseWord';
import { project } from '../record/project';

const DUE = '2026-06-13T16:00:00.000Z';
const START = Date.parse('2026-06-13T08:00:00.000Z');

const book: Book = {
  kind: 'pontoon',
  plan: { lengthM: 7, beamM: 2.5, strokes: [{ draw: 'box', at: [0, -1], size: [7, 2] }] },
  plate: { people: 10, loadKg: 800 },
  outlets: [],
  drills: [],
  checks: [
    {
      id: 'switch',
      station: 'stern',
      name: { en: 'Battery switch' },
      ways: [
        { id: 'off', name: { en: 'off' } },
        { id: 'left-on', name: { en: 'left on' }, price: 'switch' },
      ],
    },
  ],
  places: [],
  fixCards: [],
  rounds: [],
  engine: { kind: 'outboard', burnLPerHour: 10 },
  stations: [
    { id: 'bow', name: { en: 'Bow', fr: 'Proue' }, at: [6, 0] },
    { id: 'stern', name: { en: 'Stern' }, at: [0.5, 0] },
  ],
  surfaces: [
    { id: 'side', station: 'bow', name: { en: 'Side' }, widthM: 8, heightM: 1, strokes: [], stuff: 'aluminium' },
    { id: 'deck', station: 'stern', name: { en: 'Deck' }, widthM: 3, heightM: 2, strokes: [], stuff: 'vinyl' },
  ],
  tanks: [
    { id: 'petrol', name: { en: 'Petrol' }, holds: 'petrol', capacityL: 100 },
    { id: 'waste', name: { en: 'Waste' }, holds: 'waste', capacityL: 60 },
  ],
  gauges: [
    { id: 'needle', station: 'stern', name: { en: 'Needle' }, reads: 'needle', tank: 'petrol', min: 0, max: 1 },
    { id: 'line', station: 'stern', name: { en: 'Line' }, reads: 'sightLine', tank: 'petrol', min: 0, max: 100, unit: 'L' },
    { id: 'hours', station: 'stern', name: { en: 'Hours' }, reads: 'counter', min: 0, max: 9999, unit: 'h' },
    { id: 'wasteLevel', station: 'stern', name: { en: 'Waste' }, reads: 'percent', tank: 'waste', min: 0, max: 100, unit: '%' },
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
      price: 'propeller',
    },
  ],
  fittings: [
    { id: 'fender', station: 'bow', name: { en: 'Fenders' }, kind: 'required', count: 4, price: 'fender' },
    { id: 'bags', station: 'bow', name: { en: 'Bin bags' }, kind: 'consumable', count: 6 },
    { id: 'aid', station: 'stern', name: { en: 'First aid' }, kind: 'sealedKit', count: 1 },
  ],
  points: [
    {
      id: 'fenders-in',
      station: 'bow',
      weight: 'must',
      seconds: 10,
      say: { en: 'Fenders in.', fr: 'Rentrez les défenses.' },
      price: 'fender',
    },
    { id: 'prop-up', station: 'stern', weight: 'should', seconds: 10, say: { en: 'Leg up.' }, price: 'propeller' },
  ],
};

let n = 0;
const at = (body: EventBody, minutes = 0, device = 'd1'): StoredHireEvent => {
  n += 1;
  return {
    event: {
      id: `${String(n).padStart(8, '0')}-0000-7000-8000-000000000000`,
      v: 1,
      stream: 'h',
      device,
      deviceSeq: n,
      at: new Date(START + n + minutes * 60_000).toISOString(),
      bookVersion: 1,
      replaces: [],
      body,
    },
    actor: { id: 'bram', role: 'hand' },
  };
};
const count = (walk: 'out' | 'in', fitting: string, number: number, state: 'fine' | 'damaged' | 'unsealed' = 'fine') =>
  at({ kind: 'counted', walk, fitting, count: number, state });
const read = (walk: 'out' | 'in', gauge: string, shown: number) => at({ kind: 'gaugeRead', walk, gauge, shown });
const mark = (walk: 'out' | 'in', id: string, x: number, sizeMm = 40, surface = 'side') =>
  at({ kind: 'markPlaced', walk, mark: { id, surface, x, y: 0.5, kind: 'scratch', sizeMm, photos: [] } satisfies Mark });
const prop = (walk: 'out' | 'in', state: 'sound' | 'flawWithinLimit' | 'flawOverLimit' | 'notSeen') =>
  at({ kind: 'evidenceGiven', walk, propeller: 'prop', state, photos: [] });
const briefed = (point: string) => at({ kind: 'pointBriefed', walk: 'out', point, how: 'said', language: 'en' });
const decide = (finding: string, decision: 'renters' | 'wear' | 'askManager') => at({ kind: 'findingDecided', finding, decision });

const findings = (...stored: StoredHireEvent[]) => findingsOf(project(stored), book, { from: DUE, to: DUE });
const one = (all: Finding[], key: string) => all.find((finding) => finding.key === key);

describe('equipment', () => {
  it('is missing, used up, unsealed or not counted, each with what was told about its price', () => {
    const out = [count('out', 'fender', 4), count('out', 'bags', 6), count('out', 'aid', 1)];
    const all = findings(
      briefed('fenders-in'),
      ...out,
      count('in', 'fender', 3),
      count('in', 'bags', 2),
      count('in', 'aid', 1, 'unsealed'),
    );
    expect(one(all, 'count/fender')).toMatchObject({ is: 'missing', pieces: 1, chargeable: true, briefed: 'told', out: 4, in: 3 });
    expect(one(all, 'count/bags')).toMatchObject({ is: 'used', chargeable: false, briefed: undefined });
    expect(one(all, 'count/aid')).toMatchObject({ is: 'unsealed', chargeable: true });
    expect(one(findings(...out, count('in', 'fender', 3)), 'count/fender')).toMatchObject({ briefed: 'no' });
    // Read at home it is no telling, and no silence either.
    const home = at({ kind: 'pointRead', point: 'fenders-in', how: 'read', language: 'en' });
    expect(one(findings(...out, home, count('in', 'fender', 3)), 'count/fender')).toMatchObject({ briefed: 'read' });
    expect(one(findings(...out), 'count/fender')).toMatchObject({ is: 'notCounted', chargeable: false });
  });

  it('that was not counted going out cannot be missing coming in', () => {
    expect(one(findings(count('in', 'fender', 1)), 'count/fender')).toBeUndefined();
  });
});

describe('marks', () => {
  it('are new, known, grown and not seen again, and stand at their surface’s station', () => {
    const all = findings(
      mark('out', 'a', 0.2),
      mark('out', 'b', 0.8),
      mark('out', 'c', 0.5, 20, 'deck'),
      mark('in', 'x', 0.21),
      mark('in', 'y', 0.5),
      mark('in', 'c', 0.5, 200, 'deck'),
    );
    expect(one(all, 'mark/x')).toMatchObject({ is: 'known', chargeable: false, station: 'bow' });
    expect(one(all, 'mark/y')).toMatchObject({ is: 'new', chargeable: true });
    expect(one(all, 'mark/c')).toMatchObject({ is: 'grown', chargeable: true, station: 'stern' });
    expect(one(all, 'mark/b')).toMatchObject({ is: 'notSeen', chargeable: false });
  });
});

describe('the propeller', () => {
  it.each([
    ['sound', 'flawWithinLimit', 'new'],
    ['flawWithinLimit', 'flawWithinLimit', 'known'],
    ['flawWithinLimit', 'flawOverLimit', 'new'],
    ['flawOverLimit', 'flawOverLimit', 'known'],
    ['notSeen', 'flawOverLimit', 'cannotTell'],
    ['sound', 'notSeen', 'notSeen'],
    ['sound', 'sound', undefined],
  ] as const)('%s going out and %s coming in is %s', (out, back, is) => {
    expect(one(findings(prop('out', out), prop('in', back)), 'propeller/prop')?.is).toBe(is);
  });

  it('that nobody looked at coming in is said to be not judged', () => {
    expect(one(findings(prop('out', 'sound')), 'propeller/prop')).toMatchObject({ is: 'notSeen', chargeable: false });
  });

  it('is looked at when it turns slower than it did, and charged to nobody for that', () => {
    const revs = (walk: 'out' | 'in', fullRpm: number) =>
      at({ kind: 'evidenceGiven', walk, propeller: 'prop', state: 'sound', fullRpm, photos: [] });
    const slower = one(findings(revs('out', 2800), revs('in', 2550)), 'propeller/prop')!;
    expect(slower).toMatchObject({ is: 'slower', chargeable: false, outRpm: 2800, inRpm: 2550 });
    expect(needsDecision(slower)).toBe(true);
    // A needle trembles; and what was not read at departure says nothing.
    expect(one(findings(revs('out', 2800), revs('in', 2700)), 'propeller/prop')).toBeUndefined();
    expect(one(findings(prop('out', 'sound'), revs('in', 2000)), 'propeller/prop')).toBeUndefined();
  });
});

describe('fuel, hours and other gauges', () => {
  const out = [read('out', 'needle', 0.95), read('out', 'line', 96), read('out', 'hours', 100), read('out', 'wasteLevel', 5)];
  const back = [read('in', 'needle', 0.6), read('in', 'line', 62), read('in', 'hours', 103.5), read('in', 'wasteLevel', 80)];

  it('come to an interval, hours run and what differs', () => {
    const all = findings(...out, ...back);
    const fuel = one(all, 'fuel/petrol');
    expect(fuel?.topic === 'fuel' && fuel.fuel!.used!.low).toBeLessThan(34);
    expect(fuel?.topic === 'fuel' && fuel.fuel!.used!.high).toBeGreaterThan(34);
    expect(one(all, 'hours')).toMatchObject({ hours: 3.5 });
    // Gauges of a fuel tank are judged together, not one by one.
    expect(all.filter(({ topic }) => topic === 'gauge').map(({ key }) => key)).toEqual(['gauge/wasteLevel']);
  });

  it('settle by the meter only from brim to brim', () => {
    const fill = (litres: number, brim: boolean, by: 'operator' | 'renter') => at({ kind: 'fuelFilled', tank: 'petrol', litres, brim, by });
    const full = [read('out', 'needle', 1), read('out', 'line', 100)];
    expect(one(findings(...full, ...back, fill(38, true, 'operator')), 'fuel/petrol')).toMatchObject({ meteredL: 38 });
    expect(one(findings(...full, ...back, fill(38, false, 'operator')), 'fuel/petrol')).toMatchObject({ meteredL: undefined });
    const half = [read('out', 'needle', 0.5), read('out', 'line', 50)];
    expect(one(findings(...half, read('in', 'line', 20), fill(80, true, 'operator')), 'fuel/petrol')).toMatchObject({
      meteredL: undefined,
    });
    expect(one(findings(...full, ...back, fill(12, false, 'renter')), 'fuel/petrol')).toMatchObject({ filledL: 12 });
  });

  it('asks somebody to look at a fill that only the renter entered, and at none that the quay did', () => {
    const fill = at({ kind: 'fuelFilled', tank: 'petrol', litres: 20, brim: false, by: 'renter', paidMinor: 4100, photos: ['ab'] });
    const found = (role: 'renter' | 'hand') => one(findings(...back, { ...fill, actor: { id: role, role } }), 'fuel/petrol')!;
    expect(found('renter')).toMatchObject({ onTheirWord: true, filledL: 20, paid: { litres: 20, minor: 4100 }, photos: ['ab'] });
    expect([needsDecision(found('renter')), needsDecision(found('hand'))]).toEqual([true, false]);
    expect(needsDecision({ ...found('renter'), decision: 'credit' })).toBe(false);
  });

  it('that were not read both times say so and are charged nothing', () => {
    expect(one(findings(...out), 'fuel/petrol')).toMatchObject({ is: 'notRead' });
    expect(one(findings(), 'fuel/petrol')).toMatchObject({ is: 'notRead', fuel: undefined });
  });
});

describe('what was as it had been', () => {
  it('counts lines and surfaces without a difference, and no surface with a new mark', () => {
    const looked = (surface: string) => at({ kind: 'surfaceSeen', walk: 'in', surface, photos: [] });
    const record = project([
      count('out', 'fender', 4),
      count('out', 'bags', 6),
      count('in', 'fender', 4),
      count('in', 'bags', 2),
      mark('out', 'a', 0.2),
      mark('in', 'a', 0.2),
      mark('in', 'new', 0.5, 30, 'deck'),
      looked('side'),
      looked('deck'),
    ]);
    expect(unchangedCount(record, findingsOf(record, book, { from: DUE, to: DUE }))).toBe(2);
  });
});

describe('lateness', () => {
  it('is read off the moment she came in, by the clock put right', () => {
    const hours = (Date.parse(DUE) - START) / 60_000;
    expect(one(findings(at({ kind: 'cameIn' }, hours + 30)), 'late')).toMatchObject({ is: 'late', minutes: 30 });
    expect(one(findings(at({ kind: 'cameIn' }, hours - 30)), 'late')).toMatchObject({ is: 'inTime' });
    const fast = { ...at({ kind: 'cameIn' }, hours + 30), receivedAt: DUE, behindMs: -45 * 60_000 };
    expect(one(findings(fast), 'late')).toMatchObject({ is: 'inTime' });
    expect(one(findings(), 'late')).toBeUndefined();
  });
});

describe('decisions', () => {
  it('stay with their finding, and only some findings ask for one', () => {
    const all = findings(
      count('out', 'fender', 4),
      count('in', 'fender', 3),
      at({ kind: 'surfaceSeen', walk: 'out', surface: 'side', photos: [] }),
      mark('in', 'x', 0.3),
      prop('out', 'sound'),
      prop('in', 'sound'),
      at({ kind: 'cameIn' }),
    );
    expect(
      all
        .filter(needsDecision)
        .map(({ key }) => key)
        .sort(),
    ).toEqual(['count/fender', 'mark/x']);
    const decided = (decision: 'renters' | 'wear' | 'askManager') =>
      findings(count('out', 'fender', 4), count('in', 'fender', 3), decide('count/fender', decision)).find(
        ({ key }) => key === 'count/fender',
      )!;
    expect(needsDecision(decided('renters'))).toBe(false);
    expect(needsDecision(decided('askManager'))).toBe(true);
    expect(decided('wear').decision).toBe('wear');
  });

  it('are asked for every conflict', () => {
    const all = findings(
      count('out', 'fender', 4),
      at({ kind: 'counted', walk: 'out', fitting: 'fender', count: 2, state: 'fine' }, 0, 'd2'),
    );
    const open = one(all, 'conflict/out/count/fender')!;
    expect(needsDecision(open)).toBe(true);
  });
});

describe('the page that is read back', () => {
  const record = project([
    briefed('fenders-in'),
    at({ kind: 'pointSkipped', walk: 'out', point: 'prop-up', why: 'noTime' }),
    count('out', 'fender', 3),
    mark('out', 'a', 0.2),
    read('out', 'needle', 0.5),
    read('out', 'line', 52),
    prop('out', 'sound'),
  ]);

  it('says what was told, left out, counted, marked, read and judged', () => {
    expect(pageOf(record, book, 'out', 'Bun', 'en')).toMatchObject({
      briefed: ['Fenders in.'],
      skipped: ['Leg up.'],
      counts: [{ name: 'Fenders', count: 3, of: 4, state: 'fine' }],
      marks: [{ surface: 'Side', kind: 'scratch', sizeMm: 40, photos: 0 }],
      gauges: [
        { name: 'Needle', shown: '8/16' },
        { name: 'Line', shown: '52 L' },
      ],
      propellers: [{ name: 'Propeller', state: 'sound' }],
    });
    expect(pageOf(record, book, 'out', 'Bun', 'en').fuel[0]).toMatchObject({ tank: 'Petrol', litres: expect.any(Number) as number });
  });

  it('is another page in another language, and falls back to English where the book lacks it', () => {
    const french = pageOf(record, book, 'out', 'Bun', 'fr-FR');
    expect(french.briefed).toEqual(['Rentrez les défenses.']);
    expect(french.skipped).toEqual(['Leg up.']);
    expect(pageDigest(french)).not.toBe(pageDigest(pageOf(record, book, 'out', 'Bun', 'en')));
    expect(pageDigest(french)).toBe(pageDigest(pageOf(record, book, 'out', 'Bun', 'fr-FR')));
  });
});

describe('how she comes back', () => {
  const started = () => at({ kind: 'walkStarted', walk: 'in' });
  const found = (way: string) => at({ kind: 'asFound', walk: 'in', check: 'switch', way, photos: [] });

  it('is looked at, or somebody says why not; as it should be is no finding', () => {
    expect(one(findings(found('off')), 'check/switch')).toBeUndefined();
    const not = one(findings(started()), 'check/switch')!;
    expect([not.topic === 'check' && not.is, needsDecision(not)]).toEqual(['notLooked', true]);
    expect(findings(started(), found('off')).some(({ topic }) => topic === 'check')).toBe(false);
    const left = one(findings(started(), found('left-on')), 'check/switch')!;
    expect(left).toMatchObject({ topic: 'check', is: 'not', chargeable: true, way: { id: 'left-on' }, station: 'stern' });
    expect(needsDecision(left)).toBe(true);
  });

  it('cannot call new what nobody looked at going out', () => {
    const nobody = one(findings(mark('in', 'n', 0.4)), 'mark/n')!;
    expect([nobody.topic === 'mark' && nobody.is, nobody.chargeable, needsDecision(nobody)]).toEqual(['cannotTell', false, false]);
    const looked = at({ kind: 'surfaceSeen', walk: 'out', surface: 'side', photos: [] });
    expect(one(findings(looked, mark('in', 'm', 0.4)), 'mark/m')).toMatchObject({ is: 'new', chargeable: true });
  });

  it('names a tank of waste that came back fuller, not one that was full already', () => {
    const waste = (out: number, back: number) =>
      one(findings(read('out', 'wasteLevel', out), read('in', 'wasteLevel', back)), 'tank/waste');
    expect(waste(10, 60)).toMatchObject({ topic: 'tank', is: 'fuller', outL: 6, inL: 36 });
    expect(waste(10, 22)).toBeUndefined();
    expect(waste(60, 62)).toBeUndefined();
  });

  it('weighs hours against the plan and against the fuel, and charges nothing for either', () => {
    const hours = (run: number, more: StoredHireEvent[] = []) =>
      findingsOf(project([read('out', 'hours', 100), read('in', 'hours', 100 + run), ...more]), book, {
        from: '2026-06-13T08:00:00.000Z',
        to: DUE,
        hoursADay: 3,
      }).find(({ topic }) => topic === 'hours')!;
    expect(hours(4)).toMatchObject({ is: 'run', plannedHours: 3, burnL: 40, chargeable: false });
    expect(hours(5)).toMatchObject({ is: 'more' });
    // Ten litres by two gauges, and four hours at ten an hour: somebody should look.
    const little = [read('out', 'line', 90), read('in', 'line', 80), read('out', 'needle', 0.9), read('in', 'needle', 0.8)];
    expect(hours(4, little)).toMatchObject({ is: 'differs', chargeable: false });
  });

  it('takes down what is charged beside, and receipts; a renter’s own wants somebody’s word', () => {
    const extra = at({ kind: 'extraNoted', extra: 'e', what: 'callOut', price: 'call-out', text: 'towed off the bar', photos: [] });
    const receipt = at({ kind: 'receiptShown', receipt: 'r', what: 'pumpOut', amountMinor: 1800, text: 'lock marina', photos: [] });
    const own: StoredHireEvent = {
      ...receipt,
      event: { ...receipt.event, id: receipt.event.id.replace(/^./, 'f'), body: { ...receipt.event.body, receipt: 'o' } as EventBody },
      actor: { id: 'r', role: 'renter' },
    };
    const all = findings(extra, receipt, own);
    expect(one(all, 'extra/e')).toMatchObject({ topic: 'extra', is: 'callOut', quantity: 1 });
    expect(['receipt/r', 'receipt/o'].map((key) => needsDecision(one(all, key)!))).toEqual([false, true]);
  });

  it('is read back before it is signed', () => {
    expect(pageOf(project([found('left-on')]), book, 'in', 'Heron', 'en').checks).toEqual([
      { name: 'Battery switch', way: 'left on', asItShould: false },
    ]);
    expect(pageOf(project([]), book, 'in', 'Heron', 'en')).not.toHaveProperty('checks');
  });
});

it('knows what only the renter says, and what somebody of the quay saw too', () => {
  const by = (stored: StoredHireEvent, role: 'renter' | 'hand'): StoredHireEvent => ({ ...stored, actor: { id: role, role } });
  const [out, back, again] = [count('out', 'fender', 4), by(count('in', 'fender', 3), 'renter'), by(count('in', 'fender', 3), 'hand')];
  const of = (...stored: StoredHireEvent[]) => {
    const record = project(stored);
    return isRentersWord(
      record,
      findingsOf(record, book, { from: DUE, to: DUE }).find(({ key }) => key === 'count/fender')!,
    );
  };
  expect(of(out, back)).toBe(true);
  expect(of(out, back, again)).toBe(false);
  expect(of(out, by(count('in', 'fender', 3), 'hand'))).toBe(false);
  // Entered when the return had been signed already, and found by whoever looked once more.
  const record = { ...project([out, again]), addedAfterSeal: [again] };
  const finding = findingsOf(record, book, { from: DUE, to: DUE }).find(({ key }) => key === 'count/fender')!;
  expect([isUnsigned(record, finding), isUnsigned({ ...record, addedAfterSeal: [out] }, finding)]).toEqual([true, false]);
});
