import fc from 'fast-check';
import { type Booked, choicesOf, clashesOf, freeFrom, type Wanted } from './choices';

const DAY = Date.parse('2026-06-13T00:00:00.000Z');
/** Slots of a quarter of an hour: so many after midnight. */
const at = (slot: number) => new Date(DAY + slot * 15 * 60_000).toISOString();
const slotOf = (instant: string) => (Date.parse(instant) - DAY) / (15 * 60_000);

const span = fc.tuple(fc.nat(80), fc.integer({ min: 1, max: 20 })).map(([from, length]) => ({ from, to: from + length }));
const booked = fc
  .array(fc.tuple(span, fc.constantFrom('bun', 'otter')), { maxLength: 8 })
  .map((rows) => rows.map(([{ from, to }, boat], i): Booked => ({ hire: `h-${i}`, boat, from: at(from), to: at(to) })));
const wanted = span.map(({ from, to }): Wanted => ({ boat: 'bun', from: at(from), to: at(to) }));
/** Of turning round, in slots. */
const pause = fc.nat(4);

/** Whether somebody has the boat in a slot, told slot by slot. */
const isTaken = (rows: readonly Booked[], slot: number) =>
  rows.some(({ boat, from, to }) => boat === 'bun' && slotOf(from) <= slot && slot < (to === null ? Infinity : slotOf(to)));
const slots = (from: number, to: number) => Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);

describe('what stands in the way of a hire', () => {
  it('overlaps where one quarter of an hour is given away twice, and nowhere else', () => {
    fc.assert(
      fc.property(wanted, booked, pause, (want, rows, rest) => {
        const twice = slots(slotOf(want.from), slotOf(want.to)).some((slot) => isTaken(rows, slot));
        expect(clashesOf(want, rows, rest * 15).some(({ is }) => is === 'overlaps')).toBe(twice);
      }),
    );
  });

  it('is nothing where nobody has her from so long before until so long after', () => {
    fc.assert(
      fc.property(wanted, booked, pause, (want, rows, rest) => {
        const near = slots(slotOf(want.from) - rest, slotOf(want.to) + rest).some((slot) => isTaken(rows, slot));
        expect(clashesOf(want, rows, rest * 15).length > 0).toBe(near);
      }),
    );
  });

  it('is never the hire itself', () => {
    const own: Booked = { hire: 'h-1', boat: 'bun', from: at(0), to: at(8) };
    expect(clashesOf({ boat: 'bun', from: at(0), to: at(12), hire: 'h-1' }, [own], 30)).toEqual([]);
    expect(clashesOf({ boat: 'bun', from: at(0), to: at(12) }, [own], 30)).toMatchObject([{ is: 'overlaps' }]);
  });

  it('says how many minutes are between', () => {
    const next: Booked = { hire: 'h-2', boat: 'bun', from: at(9), to: at(12) };
    expect(clashesOf({ boat: 'bun', from: at(0), to: at(8) }, [next], 30)).toEqual([{ booked: next, is: 'tooTight', minutes: 15 }]);
    expect(clashesOf({ boat: 'bun', from: at(0), to: at(8) }, [next], 15)).toEqual([]);
  });
});

it('first free is the first time at which nothing stands in the way', () => {
  fc.assert(
    fc.property(wanted, booked, pause, (want, rows, rest) => {
      const found = slotOf(freeFrom(want, rows, rest * 15)!);
      const length = slotOf(want.to) - slotOf(want.from);
      const fits = (from: number) => clashesOf({ boat: 'bun', from: at(from), to: at(from + length) }, rows, rest * 15).length === 0;
      expect(found).toBe(slots(slotOf(want.from), 400).find(fits));
    }),
  );
});

it('a boat that came at an odd second is free from the next five minutes on', () => {
  const odd: Booked = { hire: 'h-1', boat: 'bun', from: at(0), to: '2026-06-13T02:03:25.000Z' };
  expect(freeFrom({ boat: 'bun', from: at(4), to: at(12) }, [odd], 30)).toBe('2026-06-13T02:35:00.000Z');
});

it('offers free boats first, the smallest that takes the party, and says why another cannot be had', () => {
  const boats = [
    { id: 'ark', name: 'Ark', people: 12 },
    { id: 'bun', name: 'Bun', people: 8 },
    { id: 'otter', name: 'Otter', people: 4 },
    { id: 'kettle', name: 'Kettle', people: 6 },
  ];
  const rows: Booked[] = [
    { hire: 'h-1', boat: 'bun', from: at(4), to: at(8) },
    { hire: 'h-2', boat: 'kettle', from: at(17), to: at(20) },
  ];
  expect(
    choicesOf(boats, rows, { from: at(6), to: at(16), people: 5 }, 30).map(({ boat, is, freeFrom: free }) => [boat.id, is, free]),
  ).toEqual([
    ['ark', 'free', undefined],
    ['kettle', 'tight', at(22)],
    ['bun', 'taken', at(10)],
    ['otter', 'tooSmall', undefined],
  ]);
});

describe('a boat that is out of service', () => {
  const wish: Wanted = { boat: 'bun', from: at(8), to: at(16) };
  it('is in the way as long as that lasts, and needs no turning round before or after', () => {
    const mended: Booked = { hire: null, boat: 'bun', from: at(0), to: at(8) };
    expect(clashesOf(wish, [mended], 60)).toEqual([]);
    expect(clashesOf({ ...wish, from: at(7) }, [mended], 60)).toMatchObject([{ is: 'overlaps' }]);
    expect(freeFrom({ ...wish, from: at(4), to: at(12) }, [mended], 60)).toBe(at(8));
  });

  it('is free again at no time that anybody knows while nobody has said until when', () => {
    const broken: Booked = { hire: null, boat: 'bun', from: at(12), to: null };
    expect(freeFrom(wish, [broken], 30)).toBeUndefined();
    // What ends before is in nobody's way.
    expect(freeFrom({ ...wish, to: at(12) }, [broken], 30)).toBe(at(8));
    const [choice] = choicesOf([{ id: 'bun', name: 'Bun', people: 8 }], [broken], { ...wish, people: 2 }, 30);
    expect(choice).toMatchObject({ is: 'taken', freeFrom: undefined });
  });
});
