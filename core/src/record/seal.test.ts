import fc from 'fast-check';
import { digestOf } from '../events/canonical';
import type { EventBody } from './event';
import { attachmentsOf, EVENT_KINDS } from './event';
import type { StoredHireEvent } from './event';
import { mayAdd } from './mayAdd';
import { checkSeal, countersignMessage, sealMessage, spoken } from '../events/seal';
import { sealContent } from './project';

const hex = (n: number, width: number) => n.toString(16).padStart(width, '0');
const storedOf = (n: number, body: EventBody): StoredHireEvent => ({
  event: {
    id: `${hex(n, 8)}-0000-7000-8000-${hex(n, 12)}`,
    v: 1,
    stream: 'h',
    device: 'd',
    deviceSeq: n + 1,
    at: '2026-06-13T08:00:00.000Z',
    bookVersion: 1,
    replaces: [],
    body,
  },
  actor: { id: 'bram', role: 'hand' },
});
const photo = (n: number) => hex(n, 64);

const some = fc
  .array(fc.record({ count: fc.nat(99), photos: fc.array(fc.nat(20), { maxLength: 3 }) }), { minLength: 1, maxLength: 12 })
  .map((rows) =>
    rows.map(({ count, photos }, n) =>
      storedOf(
        n,
        n % 2
          ? { kind: 'counted', walk: 'out', fitting: `f${n}`, count, state: 'fine' }
          : { kind: 'surfaceSeen', walk: 'out', surface: `s${n}`, photos: photos.map(photo) },
      ),
    ),
  );
const digestsOf = (events: readonly StoredHireEvent[]) => new Map(events.map(({ event }) => [event.id, digestOf(event)]));

describe('a seal', () => {
  it('fits its own events, in any order, and takes in the boat’s last seal', () => {
    fc.assert(
      fc.property(some, fc.nat(), (events, shift) => {
        const seal = sealContent(events, null);
        const turned = [...events.slice(shift % events.length), ...events.slice(0, shift % events.length)];
        expect(sealContent(turned, null)).toEqual(seal);
        expect(checkSeal(seal, digestsOf(events))).toEqual({ ok: true });
        expect(sealContent(events, photo(7)).root).not.toBe(seal.root);
        expect(checkSeal({ ...seal, previous: photo(7) }, digestsOf(events))).toMatchObject({ ok: false, reason: 'rootDiffers' });
      }),
    );
  });

  it('does not fit when any one event was changed, is missing, or a picture was exchanged', () => {
    fc.assert(
      fc.property(some, fc.nat(), (events, pick) => {
        const seal = sealContent(events, null);
        const target = events[pick % events.length]!;
        const digests = digestsOf(events);
        const changed = new Map(digests).set(target.event.id, digestOf({ ...target.event, at: '2026-06-13T08:00:00.001Z' }));
        expect(checkSeal(seal, changed)).toMatchObject({ ok: false, reason: 'rootDiffers', missing: [] });
        const without = new Map(digests);
        without.delete(target.event.id);
        expect(checkSeal(seal, without)).toEqual({ ok: false, reason: 'eventsMissing', missing: [target.event.id] });
        expect(checkSeal({ ...seal, photos: [...seal.photos, photo(99)] }, digests)).toMatchObject({ ok: false, reason: 'rootDiffers' });
      }),
    );
  });

  it('names every picture and drawing once', () => {
    const events = [
      storedOf(0, { kind: 'surfaceSeen', walk: 'out', surface: 's', photos: [photo(1), photo(2)] }),
      storedOf(1, {
        kind: 'markPlaced',
        walk: 'out',
        mark: { id: 'm', surface: 's', x: 0, y: 0, kind: 'chip', sizeMm: 5, photos: [photo(2)] },
      }),
      storedOf(2, { kind: 'evidenceGiven', walk: 'out', propeller: 'p', state: 'sound', photos: [photo(3)] }),
      storedOf(3, { kind: 'signed', walk: 'out', as: 'renter', page: photo(8), language: 'en', signer: photo(9), drawing: photo(4) }),
      storedOf(4, { kind: 'castOff' }),
    ];
    expect(sealContent(events, null).photos).toEqual([1, 2, 3, 4].map(photo));
    expect(attachmentsOf({ kind: 'castOff' })).toEqual([]);
  });

  it('is signed for one purpose only', () => {
    const root = photo(5);
    const messages = [
      sealMessage('h', 'out', root),
      sealMessage('h', 'in', root),
      sealMessage('h2', 'out', root),
      countersignMessage('h', 'out', root, '2026-06-13T08:00:00.000Z'),
      countersignMessage('h', 'out', root, '2026-06-13T08:00:00.001Z'),
    ];
    expect(new Set(messages).size).toBe(messages.length);
    for (const message of messages) expect(message).toContain('purpose');
  });

  it('is read out in four groups of four', () => {
    expect(spoken('4f2a91c0deadbeef' + '0'.repeat(48))).toBe('4F2A 91C0 DEAD BEEF');
  });
});

describe('who may add what', () => {
  // The kind and the walk decide, and of a drill whether it was shown on the boat; what else a body says is judged elsewhere.
  const body = (kind: string, walk: 'out' | 'in' = 'out') => ({ kind, walk }) as unknown as EventBody;
  const walking = [
    'walkStarted',
    'pointBriefed',
    'pointSkipped',
    'counted',
    'gaugeRead',
    'brimmed',
    'remarked',
    'brimmed',
    'markPlaced',
    'surfaceSeen',
    'evidenceGiven',
    'asFound',
  ];
  const own = [
    'partySet',
    'pointRead',
    'reported',
    'roundDone',
    'planAgreed',
    'languageChosen',
    'drillDone',
    'dockingTried',
    'receiptShown',
    'tankServed',
    'lineAnswered',
    'lineContested',
    'undone',
  ];

  it('is a table without gaps: staff all that people do but reading at home, a manager letting go, the quay closing, keys, deposits and bookings', () => {
    for (const kind of EVENT_KINDS) {
      const quays = [
        ...['closed', 'keyGiven', 'depositAnswered', 'paymentAnswered', 'corrected'],
        ...['bookingChanged', 'boatSwapped', 'hireCancelled', 'hireReinstated'],
      ].includes(kind);
      // What is read at home, and what a renter says of a line, nobody says for them.
      const staffs = !quays && kind !== 'pointRead' && kind !== 'lineAnswered';
      expect([kind, mayAdd('hand', body(kind))]).toEqual([kind, staffs && kind !== 'holdOverridden' && kind !== 'lineQuoted']);
      expect([kind, mayAdd('manager', body(kind))]).toEqual([kind, staffs]);
      expect([kind, mayAdd('quay', body(kind))]).toEqual([kind, quays]);
      expect([kind, mayAdd('renter', body(kind))]).toEqual([kind, own.includes(kind)]);
    }
  });
  it('lets a renter walk only where they walk alone', () => {
    for (const kind of walking) {
      expect([
        mayAdd('renter', body(kind), { out: true, in: false }),
        mayAdd('renter', body(kind, 'in'), { out: true, in: false }),
      ]).toEqual([true, false]);
      expect(mayAdd('renter', body(kind, 'in'), { out: false, in: true })).toBe(true);
    }
    expect(mayAdd('renter', { kind: 'castOff' }, { out: true, in: true })).toBe(true);
    expect(mayAdd('renter', { kind: 'cameIn' }, { out: true, in: false })).toBe(false);
    for (const kind of ['findingDecided', 'lineDecided', 'boatHeld', 'conflictResolved', 'closed'])
      expect(mayAdd('renter', body(kind), { out: true, in: true })).toBe(false);
  });
});
