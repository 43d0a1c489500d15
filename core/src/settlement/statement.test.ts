import fc from 'fast-check';
import type { Finding } from '../record/findings';
import { project } from '../record/project';
import type { Price, PriceList } from './prices';
import { litresCharged, statementOf } from './statement';

const price = (code: string, amountMinor: number, more: Partial<Price> = {}): Price => ({
  code,
  name: { en: code },
  per: 'each',
  amountMinor,
  taxBp: 2000,
  ...more,
});
const list = (more: Partial<PriceList> = {}): PriceList => ({
  version: 1,
  currency: 'EUR',
  fuelScheme: 'used',
  fuelIncludedL: 0,
  lateGraceMin: 15,
  prices: [
    price('fender', 3800),
    price('petrol', 205, { per: 'litre' }),
    price('late-hour', 4800, { per: 'hour', taxBp: 0 }),
    price('gel-large', 18000, { mark: { kinds: ['scratch'], stuff: 'gelcoat', upToMm: 600 } }),
    price('gel-small', 8500, { mark: { kinds: ['scratch'], stuff: 'gelcoat', upToMm: 150 } }),
  ],
  ...more,
});
const empty = project([]);
const base = { station: 'bow', chargeable: true, told: true, decision: 'renters' as const };
const missing = (pieces: number, more: Partial<Finding> = {}): Finding =>
  ({
    ...base,
    key: 'count/fender',
    topic: 'count',
    is: 'missing',
    pieces,
    out: 4,
    in: 4 - pieces,
    fitting: { id: 'fender', station: 'bow', name: { en: 'Fenders' }, kind: 'required', count: 4, price: 'fender' },
    ...more,
  }) as Finding;
const scratch = (sizeMm: number): Finding =>
  ({
    ...base,
    key: 'mark/m',
    topic: 'mark',
    is: 'new',
    out: undefined,
    nearestM: undefined,
    surface: { id: 's', station: 'bow', name: { en: 'Side' }, widthM: 8, heightM: 1, strokes: [], stuff: 'gelcoat' },
    in: { id: 'm', surface: 's', x: 0.5, y: 0.5, kind: 'scratch', sizeMm, photos: [] },
  }) as Finding;
const fuel = (low: number, more: object = {}): Finding & { topic: 'fuel' } =>
  ({
    ...base,
    decision: undefined,
    key: 'fuel/petrol',
    topic: 'fuel',
    is: 'used',
    tank: { id: 'petrol', name: { en: 'Petrol' }, holds: 'petrol', capacityL: 95 },
    fuel: { out: {}, in: {}, used: { value: low + 4, sd: 2, low, high: low + 8 }, odd: [], askThird: false },
    meteredL: undefined,
    filledL: 0,
    ...more,
  }) as unknown as Finding & { topic: 'fuel' };
const late = (minutes: number): Finding => ({ ...base, decision: undefined, key: 'late', topic: 'late', is: 'late', minutes }) as Finding;

describe('the statement', () => {
  it('comes to what was worked out by hand', () => {
    // Two fenders 76.00, a 420 mm scratch 180.00, 26.4 L at 2.05 = 54.12, 52 min late less 15 = 2 half hours 48.00.
    const got = statementOf(empty, [missing(2), scratch(420), fuel(26.4), late(52)], list(), 25_000);
    expect(got.lines.map(({ key, quantity, amountMinor }) => [key, quantity, amountMinor])).toEqual([
      ['count/fender', 2, 7600],
      ['mark/m', 1, 18_000],
      ['fuel/petrol', 26.4, 5412],
      ['late', 1, 4800],
    ]);
    expect(got.totalMinor).toBe(35_812);
    // 310.12 at 20 % contains 51.69 of tax (310.12 / 6 = 51.6866…).
    expect(got.taxes).toEqual([
      { taxBp: 0, grossMinor: 4800, taxMinor: 0 },
      { taxBp: 2000, grossMinor: 31_012, taxMinor: 5169 },
    ]);
    expect(got.deposit).toEqual({ heldMinor: 25_000, capturedMinor: 25_000, stillHeldMinor: 0, releasedMinor: 0 });
    expect(got.balanceMinor).toBe(10_812);
  });

  it('takes the repair that fits the size, and asks for a quote where none does', () => {
    expect(statementOf(empty, [scratch(120)], list(), 0).lines[0]?.price?.code).toBe('gel-small');
    const big = statementOf(empty, [scratch(900)], list(), 0);
    expect(big.lines[0]?.amountMinor).toBeUndefined();
    expect(big.toQuote).toHaveLength(1);
  });

  it('charges nothing that nobody decided to be the renter’s', () => {
    const undecided = statementOf(empty, [missing(1, { decision: undefined })], list(), 25_000);
    expect(undecided.lines).toEqual([]);
    expect(undecided.open).toHaveLength(1);
    expect(statementOf(empty, [missing(1, { decision: 'wear' })], list(), 25_000)).toMatchObject({ lines: [], open: [] });
  });

  it('gives the renter the grace, and counts begun half hours after it', () => {
    const hours = (minutes: number) => statementOf(empty, [late(minutes)], list(), 0).lines[0]?.quantity;
    expect([15, 16, 45, 46, 75, 76].map(hours)).toEqual([undefined, 0.5, 0.5, 1, 1, 1.5]);
  });

  it('charges fuel by scheme: the meter from brim to brim, else the lower end', () => {
    expect(litresCharged(fuel(20), list())).toBe(20);
    expect(litresCharged(fuel(20, { meteredL: 23.5 }), list())).toBe(23.5);
    expect(litresCharged(fuel(20), list({ fuelScheme: 'flat' }))).toBe(0);
    expect(litresCharged(fuel(20), list({ fuelScheme: 'included', fuelIncludedL: 15 }))).toBe(5);
    expect(litresCharged(fuel(20, { filledL: 30 }), list())).toBe(0);
  });

  it('balances to the minor unit, whatever is in it', () => {
    const anything = fc.array(
      fc.oneof(
        fc.integer({ min: 1, max: 4 }).map((n) => missing(n)),
        fc.integer({ min: 5, max: 1200 }).map(scratch),
        fc.double({ min: 0, max: 90, noNaN: true }).map((n) => fuel(n)),
        fc.integer({ min: -30, max: 400 }).map(late),
      ),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(anything, fc.integer({ min: 0, max: 100_000 }), (findings, held) => {
        const got = statementOf(empty, findings, list(), held);
        const { deposit } = got;
        expect(deposit.capturedMinor + deposit.releasedMinor + deposit.stillHeldMinor).toBe(deposit.heldMinor);
        expect(got.balanceMinor).toBe(got.totalMinor - deposit.capturedMinor);
        for (const value of [
          got.totalMinor,
          got.balanceMinor,
          ...Object.values(deposit),
          ...got.lines.map(({ amountMinor }) => amountMinor ?? 0),
        ]) {
          expect(value).toBeGreaterThanOrEqual(0);
          expect(Number.isInteger(value)).toBe(true);
        }
        expect(got.taxes.reduce((sum, { grossMinor }) => sum + grossMinor, 0)).toBe(got.totalMinor);
        expect(statementOf(empty, findings, list(), held)).toEqual(got);
      }),
    );
  });
});
