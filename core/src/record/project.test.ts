import { currentOf } from '../events/record';
import { counted as countedKind } from '../condition/events';
import { sealed as sealedKind } from './events';
import fc from 'fast-check';
import { canonical, digestOf } from '../events/canonical';
import { type EventBody, type HireEvent, type StoredHireEvent } from './event';
import { project, sealContent } from './project';
import { checkSeal, rootOf } from '../events/seal';
import { readEvent } from './readEvent';

const hex = (n: number, width: number) => n.toString(16).padStart(width, '0');
const idOf = (n: number) => `${hex(n, 8)}-0000-7000-8000-${hex(n, 12)}`;
const START = Date.parse('2026-06-13T08:00:00.000Z');

const make = (
  n: number,
  body: EventBody,
  more: Partial<HireEvent> & { replaces?: string[] } = {},
  by: Partial<StoredHireEvent> = {},
): StoredHireEvent => ({
  event: {
    id: idOf(n),
    v: 1,
    stream: 'h1',
    device: 'd1',
    deviceSeq: n + 1,
    at: new Date(START + n * 1000).toISOString(),
    bookVersion: 1,
    replaces: [],
    body,
    ...more,
  },
  actor: { id: 'ada', role: 'hand' },
  ...by,
});
const count = (fitting: string, number: number, walk: 'out' | 'in' = 'out'): EventBody => ({
  kind: 'counted',
  walk,
  fitting,
  count: number,
  state: 'fine',
});
const counted = (stored: StoredHireEvent[], fitting: string) => currentOf(project(stored), ['out', 'count', fitting], countedKind);

/** Streams as several phones make them: counts, told points, corrections of anything older, undos, seals, a closing. */
const stream = fc
  .array(
    fc.record({
      what: fc.integer({ min: 0, max: 10 }),
      fitting: fc.integer({ min: 0, max: 3 }),
      number: fc.integer({ min: 0, max: 5 }),
      older: fc.array(fc.nat(), { maxLength: 2 }),
      device: fc.integer({ min: 1, max: 3 }),
      behind: fc.option(fc.integer({ min: -400_000, max: 400_000 })),
    }),
    { minLength: 1, maxLength: 40 },
  )
  .map((rows) =>
    rows.map((row, n): StoredHireEvent => {
      const replaces = n > 0 ? [...new Set(row.older.map((o) => idOf(o % n)))] : [];
      const walk = row.number % 2 ? ('in' as const) : ('out' as const);
      const covers = Array.from({ length: n }, (_, i) => idOf(i)).filter((_, i) => (i + row.number) % 3 !== 0);
      const body: EventBody =
        row.what < 5
          ? count(`f${row.fitting}`, row.number, walk)
          : row.what === 5
            ? { kind: 'undone' }
            : row.what === 6
              ? { kind: 'pointBriefed', walk, point: `p${row.fitting}`, how: 'said', language: 'en' }
              : row.what === 7
                ? { kind: 'fuelFilled', tank: 'main', litres: 10 + row.number, brim: false, by: 'operator' }
                : row.what === 8 && n > 0
                  ? {
                      kind: 'sealed',
                      walk,
                      covers: covers.length > 0 ? covers : [idOf(0)],
                      photos: [],
                      previous: null,
                      root: 'a'.repeat(64),
                      signature: '',
                      key: 'b'.repeat(64),
                    }
                  : row.what === 9 && n > 20
                    ? { kind: 'closed', number: 1, statement: 'c'.repeat(64), covers, root: 'd'.repeat(64) }
                    : row.what === 10 && n > 0
                      ? { kind: 'conflictResolved', subject: [walk, 'count', `f${row.fitting}`], stands: idOf((row.older[0] ?? 0) % n) }
                      : { kind: 'castOff' };
      return make(
        n,
        body,
        { replaces, device: `d${row.device}` },
        row.behind === null ? {} : { receivedAt: '2026-06-13T12:00:00.000Z', behindMs: row.behind },
      );
    }),
  );
const shown = (stored: StoredHireEvent[]) => {
  const record = project(stored);
  return canonical(JSON.parse(JSON.stringify({ ...record, slots: [...record.subjects].sort(([a], [b]) => (a < b ? -1 : 1)) })));
};

describe('the record', () => {
  it('is the same for shuffled, repeated and split streams', () => {
    fc.assert(
      fc.property(
        stream.chain((events) =>
          fc.tuple(
            fc.constant(events),
            fc.shuffledSubarray([...events, ...events, ...events], { minLength: 3 * events.length, maxLength: 3 * events.length }),
            fc.nat(),
          ),
        ),
        ([events, mixed, cut]) => {
          const expected = shown(events);
          expect(shown(mixed)).toBe(expected);
          const at = cut % (mixed.length + 1);
          // What came first from a phone and then, complete, from the server.
          expect(shown([...mixed.slice(0, at).map(({ event, actor }) => ({ event, actor })), ...events, ...mixed.slice(at)])).toBe(
            expected,
          );
        },
      ),
      { numRuns: 300 },
    );
  });

  it('never drops anything: each event stands, was replaced or undone, or is late or proposed', () => {
    fc.assert(
      fc.property(stream, (events) => {
        const record = project(events);
        const placed = new Set(
          [...[...record.subjects.values()].flatMap((s) => s.currentEvents), ...record.late, ...record.proposed].map(
            ({ event }) => event.id,
          ),
        );
        const named = new Set(events.flatMap(({ event }) => event.replaces));
        for (const { event } of events) if (event.body.kind !== 'undone') expect(placed.has(event.id) || named.has(event.id)).toBe(true);
      }),
    );
  });

  it('lets a correction take the place of what it names, wherever it comes from', () => {
    const first = make(1, count('jacket', 8));
    const second = make(2, count('jacket', 7), { device: 'd2', replaces: [idOf(1)] });
    expect(counted([second, first], 'jacket')).toMatchObject({ value: { count: 7 }, conflict: false });
  });

  it('keeps two values that nobody replaced as a conflict, and equal ones as agreement', () => {
    const both = [make(1, count('jacket', 8)), make(2, count('jacket', 7), { device: 'd2' })];
    expect(counted(both, 'jacket')).toMatchObject({ conflict: true });
    expect(project(both).conflicts.map(({ subject }) => subject)).toEqual([['out', 'count', 'jacket']]);
    expect(counted([both[0]!, make(3, count('jacket', 8), { device: 'd2' })], 'jacket')).toMatchObject({ conflict: false });
    const resolved = [...both, make(4, count('jacket', 7), { replaces: [idOf(1), idOf(2)] })];
    expect(counted(resolved, 'jacket')).toMatchObject({ conflict: false, value: { count: 7 } });
  });

  it('lets somebody say which of two values stands, also after a seal that covers both, and take it back', () => {
    const both = [make(1, count('jacket', 8)), make(2, count('jacket', 7), { device: 'd2' })];
    const sealed = make(3, { kind: 'sealed', walk: 'out', ...sealContent(both, null), signature: '', key: 'b'.repeat(64) });
    const stands = (n: number, id: number) => make(n, { kind: 'conflictResolved', subject: ['out', 'count', 'jacket'], stands: idOf(id) });
    const resolved = [...both, sealed, stands(4, 2)];
    expect(counted(resolved, 'jacket')).toMatchObject({ conflict: false, value: { count: 7 }, resolvedBy: { event: { id: idOf(4) } } });
    expect(counted(resolved, 'jacket')!.currentEvents).toHaveLength(2);
    expect(project(resolved).conflicts).toEqual([]);
    // Two who settle it differently have settled nothing, and one that names something else counts for nothing.
    expect(counted([...resolved, { ...stands(5, 1), actor: { id: 'bo', role: 'hand' } }], 'jacket')).toMatchObject({ conflict: true });
    expect(counted([...both, stands(4, 9)], 'jacket')).toMatchObject({ conflict: true });
    expect(counted([...resolved, make(6, { kind: 'undone' }, { replaces: [idOf(4)] })], 'jacket')).toMatchObject({ conflict: true });
  });

  it('undoes, undoes the undoing, and gives back what a correction had replaced', () => {
    const events = [make(1, count('jacket', 8)), make(2, count('jacket', 7), { replaces: [idOf(1)] })];
    const undo = make(3, { kind: 'undone' }, { replaces: [idOf(2)] });
    expect(counted([...events, undo], 'jacket')!.value.count).toBe(8);
    expect(counted([...events, undo, make(4, { kind: 'undone' }, { replaces: [idOf(3)] })], 'jacket')!.value.count).toBe(7);
    const chain = [...events, make(5, count('jacket', 6), { replaces: [idOf(2)] })];
    expect(counted(chain, 'jacket')).toMatchObject({ value: { count: 6 }, conflict: false });
  });

  const closedAfter = (events: StoredHireEvent[], n: number) =>
    make(n, { kind: 'closed', number: 4, statement: 'c'.repeat(64), covers: events.map(({ event }) => event.id), root: 'd'.repeat(64) });

  it('keeps what arrives after the closing outside: late when made before it, proposed when made after', () => {
    const events = [make(1, count('jacket', 8))];
    const closed = closedAfter(events, 10);
    const before = make(5, count('jacket', 7), { replaces: [idOf(1)] });
    const after = make(20, count('jacket', 6), { replaces: [idOf(1)] });
    const record = project([after, closed, before, ...events]);
    expect(record.late.map(({ event }) => event.id)).toEqual([idOf(5)]);
    expect(record.proposed.map(({ event }) => event.id)).toEqual([idOf(20)]);
    expect(currentOf(record, ['out', 'count', 'jacket'], countedKind)!.value.count).toBe(8);
  });

  it('takes what the quay enters of the return after its signature, and shows it; never of the departure, nor from the renter', () => {
    const events = [make(1, count('jacket', 8)), make(2, count('jacket', 8, 'in'), {}, { actor: { id: 'r', role: 'renter' } })];
    const seal = (walk: 'out' | 'in', n: number) =>
      make(n, { kind: 'sealed', walk, ...sealContent(events, null), signature: '', key: 'b'.repeat(64) });
    const seen = make(20, count('jacket', 7, 'in'), { replaces: [idOf(2)] });
    const rest = [
      make(21, count('jacket', 6, 'in'), { replaces: [idOf(2)] }, { actor: { id: 'r', role: 'renter' } }),
      make(22, count('jacket', 5), { replaces: [idOf(1)] }),
      make(23, { kind: 'undone' }, { replaces: [idOf(2)] }),
      make(24, { kind: 'undone' }, { replaces: [idOf(4)] }),
      make(25, { kind: 'signed', walk: 'in', as: 'staff', page: 'p', signer: 'Ada', drawing: 'a'.repeat(64), language: 'en' }),
    ];
    const all = [...events, seal('out', 3), make(5, { kind: 'castOff' }), seal('in', 4), seen, ...rest];
    const record = project(all);
    expect(currentOf(record, ['in', 'count', 'jacket'], countedKind)!).toMatchObject({ value: { count: 7 }, conflict: false });
    expect(record.addedAfterSeal.map(({ event }) => event.id)).toEqual([idOf(20)]);
    expect(record.proposed.map(({ event }) => event.id)).toEqual([21, 22, 23, 24, 25].map(idOf));
    // What was entered afterwards may be taken back again.
    const back = project([...all, make(30, { kind: 'undone' }, { replaces: [idOf(20)] })]);
    expect(currentOf(back, ['in', 'count', 'jacket'], countedKind)!.value.count).toBe(8);
    // Arrived after the seal, but made before it: it is late, as ever.
    expect(project([...all, make(3, count('fender', 3, 'in'), { id: idOf(31) })]).late).toHaveLength(1);
    // The closing covers it; what comes after that is a proposal.
    const closed = project([...all, closedAfter([...events, seal('out', 3), seal('in', 4), seen], 40), make(50, count('jacket', 4, 'in'))]);
    expect(currentOf(closed, ['in', 'count', 'jacket'], countedKind)!.value.count).toBe(7);
    expect(closed.proposed.map(({ event }) => event.id)).toContain(idOf(50));
  });

  it('lets departure be put right until she casts off, says that it is unsigned, and takes a newer seal over it', () => {
    const events = [make(1, count('jacket', 5), {}, { actor: { id: 'r', role: 'renter' } })];
    const seal = (n: number, over: StoredHireEvent[], replaces: string[] = []) =>
      make(n, { kind: 'sealed', walk: 'out', ...sealContent(over, null), signature: '', key: 'b'.repeat(64) }, { replaces });
    const first = seal(3, events);
    const right = make(6, count('jacket', 6), { replaces: [idOf(1)] }, { actor: { id: 'r', role: 'renter' } });
    const open = project([...events, first, right]);
    expect(currentOf(open, ['out', 'count', 'jacket'], countedKind)!.value.count).toBe(6);
    expect(open.unsigned.out.map(({ event }) => event.id)).toEqual([idOf(6)]);
    const signed = make(7, {
      kind: 'signed',
      walk: 'out',
      as: 'renter',
      page: 'p',
      signer: 'Ines',
      drawing: 'a'.repeat(64),
      language: 'en',
    });
    const again = [...events, first, right, signed];
    const resealed = project([...again, seal(8, again, [idOf(3)])]);
    expect(resealed.unsigned.out).toEqual([]);
    // Or it is cleared: what was signed stands again.
    const cleared = project([...events, first, right, make(11, { kind: 'undone' }, { replaces: [idOf(6)] })]);
    expect(cleared.unsigned.out).toEqual([]);
    expect(currentOf(cleared, ['out', 'count', 'jacket'], countedKind)!.value.count).toBe(5);
    expect(currentOf(resealed, ['out', 'count', 'jacket'], countedKind)).toMatchObject({ value: { count: 6 }, conflict: false });
    expect(currentOf(resealed, ['out', 'sealed'], sealedKind)).toMatchObject({ conflict: false, by: { event: { id: idOf(8) } } });
    // Once she is off, departure is what was signed.
    const off = make(9, { kind: 'castOff' });
    const after = make(10, count('jacket', 7), { replaces: [idOf(6)] });
    const gone = project([...again, seal(8, again, [idOf(3)]), off, after]);
    expect(currentOf(gone, ['out', 'count', 'jacket'], countedKind)!.value.count).toBe(6);
    expect(gone.proposed.map(({ event }) => event.id)).toEqual([idOf(10)]);
  });

  it('judges lateness by the clock put right, and says whose clock was wrong', () => {
    const events = [make(1, count('jacket', 8))];
    const hourFast = make(3600 + 5, count('jacket', 7), {}, { receivedAt: '2026-06-13T12:00:00.000Z', behindMs: -3_600_000 });
    const record = project([...events, closedAfter(events, 10), hourFast]);
    expect(record.late).toHaveLength(1);
    expect(record.wrongClocks).toEqual([{ device: 'd1', behindMs: -3_600_000 }]);
  });

  it('does not let an undo reach behind a seal', () => {
    const events = [make(1, count('jacket', 8))];
    const sealed = make(2, { kind: 'sealed', walk: 'out', ...sealContent(events, null), signature: '', key: 'b'.repeat(64) });
    const record = project([
      ...events,
      sealed,
      make(3, { kind: 'undone' }, { replaces: [idOf(1)] }),
      make(4, { kind: 'undone' }, { replaces: [idOf(2)] }),
    ]);
    expect(currentOf(record, ['out', 'count', 'jacket'], countedKind)!.value.count).toBe(8);
    expect(currentOf(record, ['out', 'sealed'], sealedKind)).toBeDefined();
    expect(record.proposed.map(({ event }) => event.id)).toEqual([idOf(3), idOf(4)]);
  });

  it('pins the book version the walk began with', () => {
    expect(
      project([
        make(1, { kind: 'walkStarted', walk: 'out' }, { bookVersion: 7 }),
        make(2, { kind: 'walkStarted', walk: 'in' }, { bookVersion: 7 }),
      ]).bookVersion,
    ).toBe(7);
  });
});

describe('the seal', () => {
  const events = [make(1, count('jacket', 8)), make(2, count('fender', 4))];
  const digests = new Map(events.map(({ event }) => [event.id, digestOf(event)]));

  it('fits its events in any order and none other', () => {
    const seal = sealContent(events, null);
    expect(sealContent([...events].reverse(), null)).toEqual(seal);
    expect(checkSeal(seal, digests)).toEqual({ ok: true });
    expect(checkSeal(seal, new Map([...digests, [idOf(2), digestOf({ ...events[1]!.event, body: count('fender', 3) })]]))).toMatchObject({
      ok: false,
      reason: 'rootDiffers',
    });
    expect(checkSeal(seal, new Map([...digests].slice(1)))).toMatchObject({ ok: false, reason: 'eventsMissing', missing: [idOf(1)] });
    expect(rootOf([...digests.values()], [], 'e'.repeat(64))).not.toBe(seal.root);
  });
});

describe('reading events', () => {
  const { event } = make(1, count('jacket', 8));

  it('reads today’s and upcasts old ones', () => {
    expect(readEvent(event)).toEqual({ ok: true, event });
    const old = { ...event, v: 0, body: { kind: 'counted', leg: 'out', fitting: 'jacket', count: 8 } };
    expect(readEvent(old)).toEqual({ ok: true, event });
  });

  it('names what is wrong with the rest', () => {
    expect(readEvent({ ...event, body: { kind: 'danced' } })).toMatchObject({ ok: false, reason: 'unknownKind' });
    expect(readEvent({ ...event, v: 9 })).toMatchObject({ ok: false, reason: 'unknownVersion' });
    expect(readEvent({ ...event, body: { ...event.body, count: -1 } })).toMatchObject({
      ok: false,
      reason: 'doesNotFit',
      detail: expect.stringContaining('body.count') as string,
    });
    expect(readEvent('no')).toMatchObject({ ok: false, reason: 'doesNotFit' });
  });
});
