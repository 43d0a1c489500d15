import type { Finding } from '../findings/finding';
import fc from 'fast-check';
import type { EventBody } from '../record/event';
import { project } from '../record/project';
import type { HireRecord } from '../events/record';
import { recordOf } from '../testing/demoHire';
import type { Price, PriceList } from './prices';
import { litresCharged } from './charges';
import { statementOf } from './statement';

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
  damage: { policy: 'list' },
  breach: 'priced',
  prices: [
    price('fender', 3800),
    price('petrol', 205, { per: 'litre' }),
    price('late-hour', 4800, { per: 'hour', taxBp: 0 }),
    price('gel-large', 18000, { mark: { kinds: ['scratch'], stuff: 'gelcoat', upToMm: 600 } }),
    price('gel-small', 8500, { mark: { kinds: ['scratch'], stuff: 'gelcoat', upToMm: 150 } }),
  ],
  ...more,
});
const of = (heldMinor: number) => ({ heldMinor, from: '2026-06-13T08:00:00.000Z', to: '2026-06-13T16:00:00.000Z' });
const empty = project([]);
const base = { station: 'bow', chargeable: true, briefed: 'told' as const, decision: 'renters' as const };
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
    paid: { litres: 0, minor: 0 },
    ...more,
  }) as unknown as Finding & { topic: 'fuel' };
const late = (minutes: number): Finding => ({ ...base, decision: undefined, key: 'late', topic: 'late', is: 'late', minutes }) as Finding;

describe('the statement', () => {
  it('comes to what was worked out by hand', () => {
    // Two fenders 76.00, a 420 mm scratch 180.00, 26.4 L at 2.05 = 54.12, 52 min late less 15 = 2 half hours 48.00.
    const got = statementOf(empty, [missing(2), scratch(420), fuel(26.4), late(52)], list(), of(25_000));
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
    expect(statementOf(empty, [scratch(120)], list(), of(0)).lines[0]?.price?.code).toBe('gel-small');
    const big = statementOf(empty, [scratch(900)], list(), of(0));
    expect(big.lines[0]?.amountMinor).toBeUndefined();
    expect(big.toQuote).toHaveLength(1);
  });

  it('charges nothing that nobody decided to be the renter’s', () => {
    const undecided = statementOf(empty, [missing(1, { decision: undefined })], list(), of(25_000));
    expect(undecided.lines).toEqual([]);
    expect(undecided.open).toHaveLength(1);
    expect(statementOf(empty, [missing(1, { decision: 'wear' })], list(), of(25_000))).toMatchObject({ lines: [], open: [] });
  });

  it('gives the renter the grace, and counts begun half hours after it', () => {
    const hours = (minutes: number) => statementOf(empty, [late(minutes)], list(), of(0)).lines[0]?.quantity;
    expect([15, 16, 45, 46, 75, 76].map(hours)).toEqual([undefined, 0.5, 0.5, 1, 1, 1.5]);
  });

  it('charges fuel by scheme: the meter from brim to brim, else the lower end', () => {
    expect(litresCharged(fuel(20), list())).toBe(20);
    expect(litresCharged(fuel(20, { meteredL: 23.5 }), list())).toBe(23.5);
    expect(litresCharged(fuel(20), list({ fuelScheme: 'flat' }))).toBe(0);
    expect(litresCharged(fuel(20), list({ fuelScheme: 'included', fuelIncludedL: 15 }))).toBe(5);
    expect(litresCharged(fuel(20, { filledL: 30 }), list())).toBe(0);
  });

  it('charges fuel by the gallon where it is sold by it, to a hundredth of one', () => {
    const sold = (per: Price['per']) =>
      list({ prices: list().prices.map((one) => (one.code === 'petrol' ? { ...one, per, amountMinor: 459 } : one)) });
    const line = (per: Price['per']) => statementOf(empty, [fuel(26.4)], sold(per), of(0)).lines[0];
    // 26.4 L are 6.974 US gallons or 5.807 imperial ones: 6.97 × 4.59 = 31.99, 5.81 × 4.59 = 26.67.
    expect(line('galUs')).toMatchObject({ quantity: 6.97, amountMinor: 3199 });
    expect(line('galUk')).toMatchObject({ quantity: 5.81, amountMinor: 2667 });
    expect(line('litre')).toMatchObject({ quantity: 26.4, amountMinor: 12_118 });
  });

  it('gives back what the renter paid for and the scheme had paid for already', () => {
    const paid = { filledL: 30, paid: { litres: 30, minor: 6300 } };
    const lines = (scheme: Partial<PriceList>, more: object = {}) =>
      statementOf(empty, [fuel(40, { ...paid, ...more })], list(scheme), of(0)).lines.map(({ key, quantity, amountMinor }) => [
        key,
        quantity,
        amountMinor,
      ]);
    // Burnt 40, filled 30 themselves: 10 L of the operator's, 20.50.
    expect(lines({ fuelScheme: 'used' })).toEqual([['fuel/petrol', 10, 2050]]);
    expect(lines({ fuelScheme: 'topUp' })).toEqual([['fuel/petrol', 10, 2050]]);
    // 60 L are included and 40 were burnt, 10 of them the operator's: all 30 of the renter's are theirs to get back.
    expect(lines({ fuelScheme: 'included', fuelIncludedL: 60 })).toEqual([['fuel/petrol/credit', 30, -6300]]);
    // 25 included, 40 burnt: 15 are the renter's own, they paid 30, so 15 L at 2.10 go back.
    expect(lines({ fuelScheme: 'included', fuelIncludedL: 25 })).toEqual([['fuel/petrol/credit', 15, -3150]]);
    expect(lines({ fuelScheme: 'included', fuelIncludedL: 5 })).toEqual([['fuel/petrol', 5, 1025]]);
    expect(lines({ fuelScheme: 'flat' })).toEqual([['fuel/petrol/credit', 30, -6300]]);
    // Nothing is given back without a receipt.
    expect(lines({ fuelScheme: 'flat' }, { paid: { litres: 0, minor: 0 } })).toEqual([]);
    // By the renter's word alone nothing goes back until somebody took it; what was burnt is charged either way.
    const word = (decision: string | undefined) => lines({ fuelScheme: 'flat' }, { onTheirWord: true, decision });
    expect([word(undefined), word('notOurs'), word('credit')]).toEqual([[], [], [['fuel/petrol/credit', 30, -6300]]]);
    const used = (decision: string | undefined) => lines({ fuelScheme: 'used' }, { onTheirWord: true, decision });
    expect([used(undefined), used('notOurs'), used('askManager')]).toEqual([[['fuel/petrol', 10, 2050]], [['fuel/petrol', 10, 2050]], []]);
  });

  it('charges a flat rate by begun days where the list has one', () => {
    const flat = list({ fuelScheme: 'flat', prices: [price('fuel-day', 1500, { per: 'day' })] });
    const days = (to: string) =>
      statementOf(empty, [fuel(40)], flat, { ...of(0), to }).lines.map(({ quantity, amountMinor }) => [quantity, amountMinor]);
    expect(days('2026-06-13T16:00:00.000Z')).toEqual([[1, 1500]]);
    expect(days('2026-06-15T09:00:00.000Z')).toEqual([[3, 4500]]);
  });

  it('takes off what age takes off, and mends where that comes cheaper', () => {
    const aging = { ageing: { years: 5, leastBp: 2000 } };
    const prices = [price('fender', 3800, aging), price('fender-mend', 900, { mends: 'fender' })];
    const since = (month: string, more: Partial<Finding> = {}) =>
      statementOf(
        empty,
        [
          missing(1, {
            fitting: { id: 'fender', station: 'bow', name: { en: 'F' }, kind: 'required', count: 4, price: 'fender', since: month },
            ...more,
          } as Partial<Finding>),
        ],
        list({ prices }),
        of(0),
      ).lines[0]!;
    // 30 of 60 months old: half of 38.00.
    expect(since('2023-12')).toMatchObject({ amountMinor: 1900, basis: [{ is: 'age', months: 30, fullMinor: 3800 }] });
    // Older than it lasts: a fifth stays.
    expect(since('2010-01')).toMatchObject({ amountMinor: 760 });
    expect(since('2026-06')).toMatchObject({ amountMinor: 3800, basis: [] });
    // Broken, it is mended; but not where its age makes a new one cheaper.
    expect(since('2023-12', { is: 'damaged' } as Partial<Finding>)).toMatchObject({
      amountMinor: 900,
      basis: [{ is: 'mended', insteadMinor: 1900 }],
    });
    expect(since('2010-01', { is: 'damaged' } as Partial<Finding>)).toMatchObject({ amountMinor: 760 });
  });

  it('lets damage cost no more than the excess, or than the waiver that was bought', () => {
    const capped = (more: Partial<PriceList>, record: HireRecord = empty) =>
      statementOf(record, [scratch(420), missing(2), { ...scratch(100), key: 'mark/n' }], list(more), of(25_000));
    const excess = capped({ damage: { policy: 'cap', capMinor: 20_000 } });
    // 180.00 in full, then 20.00 of the 85.00; what is lost is no damage.
    expect(excess.lines.map(({ amountMinor }) => amountMinor)).toEqual([18_000, 7600, 2000]);
    expect(excess.lines[2]?.basis).toEqual([{ is: 'capped', capMinor: 20_000, fullMinor: 8500 }]);
    expect(capped({ waiver: { capMinor: 5000 } }).totalMinor).toBe(34_100);
    const bought = recordOf({ kind: 'waiverSet', taken: true });
    expect(capped({ waiver: { capMinor: 5000 } }, bought).lines.map(({ amountMinor }) => amountMinor)).toEqual([5000, 7600, 0]);
  });

  it('leaves a line without a price open, is quoted by a manager, or keeps a part until it is', () => {
    const big = scratch(900);
    const later = statementOf(empty, [big], list({ damage: { policy: 'quoteLater', holdMinor: 12_000 } }), of(25_000));
    expect(later).toMatchObject({ toQuote: [], totalMinor: 0, deposit: { stillHeldMinor: 12_000, releasedMinor: 13_000 } });
    expect(later.lines[0]).toMatchObject({ amountMinor: undefined, basis: [{ is: 'quoteLater', holdMinor: 12_000 }] });
    const quoted = recordOf({ kind: 'lineQuoted', line: 'mark/m', amountMinor: 26_000, why: 'the yard says so' });
    expect(statementOf(quoted, [big], list(), of(25_000))).toMatchObject({
      totalMinor: 26_000,
      balanceMinor: 1000,
      toQuote: [],
      lines: [{ basis: [{ is: 'quoted', listedMinor: undefined, why: 'the yard says so' }] }],
    });
  });

  it('takes a breach by the operator’s clause: priced, a warning, or the whole deposit and that once', () => {
    const breach = (n: number): Finding =>
      ({
        ...base,
        decision: undefined,
        key: `extra/${n}`,
        topic: 'extra',
        is: 'breach',
        price: 'breach',
        quantity: 1,
        text: 'fast in the cut',
        photos: [],
      }) as unknown as Finding;
    const by = (clause: PriceList['breach']) =>
      statementOf(empty, [breach(1), breach(2)], list({ breach: clause, prices: [price('breach', 5000)] }), of(25_000));
    expect(by('priced').totalMinor).toBe(10_000);
    expect(by('warning')).toMatchObject({ totalMinor: 0, lines: [{ basis: [{ is: 'warning' }] }, {}] });
    expect(by('wholeDeposit')).toMatchObject({ totalMinor: 25_000, deposit: { capturedMinor: 25_000 } });
  });

  it('credits a receipt, a renter’s own only once somebody took it; more credit than charge is paid out', () => {
    const receipt = (more: object = {}): Finding =>
      ({
        ...base,
        decision: undefined,
        told: undefined,
        key: 'receipt/r',
        topic: 'receipt',
        is: 'pumpOut',
        amountMinor: 1800,
        text: 'lock marina',
        photos: [],
        byRenter: false,
        ...more,
      }) as unknown as Finding;
    expect(statementOf(empty, [receipt()], list(), of(0))).toMatchObject({ totalMinor: -1800, payOutMinor: 1800, balanceMinor: 0 });
    const own = statementOf(empty, [receipt({ byRenter: true })], list(), of(0));
    expect([own.lines, own.open.length]).toEqual([[], 1]);
    expect(statementOf(empty, [receipt({ byRenter: true, decision: 'credit' }), missing(1)], list(), of(5000))).toMatchObject({
      totalMinor: 2000,
      deposit: { capturedMinor: 2000, releasedMinor: 3000 },
      payOutMinor: 0,
    });
  });

  it('takes the renter’s own word over what staff put down for them, and says what was never told', () => {
    const record = recordOf(
      { kind: 'lineDecided', line: 'count/fender', state: 'accepted' },
      { kind: 'lineAnswered', line: 'count/fender', answer: 'disputed', remark: 'there were three' },
    );
    const got = statementOf(record, [missing(1, { briefed: 'no' })], list(), of(25_000));
    expect(got.lines[0]).toMatchObject({ state: 'disputed', remark: 'there were three', untold: true });
    expect(got).toMatchObject({ totalMinor: 0, disputedMinor: 3800, deposit: { stillHeldMinor: 3800 } });
    const waived = recordOf(
      { kind: 'lineDecided', line: 'count/fender', state: 'waived' },
      { kind: 'lineAnswered', line: 'count/fender', answer: 'disputed' },
    );
    expect(statementOf(waived, [missing(1)], list(), of(25_000))).toMatchObject({ totalMinor: 0, disputedMinor: 0 });
  });

  it('balances to the minor unit, whatever is in it', () => {
    const receipt = (amountMinor: number): Finding =>
      ({
        ...base,
        decision: undefined,
        key: 'receipt/r',
        topic: 'receipt',
        is: 'other',
        amountMinor,
        text: 'x',
        photos: [],
        byRenter: false,
      }) as unknown as Finding;
    const anything = fc.uniqueArray(
      fc.oneof(
        fc.integer({ min: 1, max: 4 }).map((n) => missing(n)),
        fc.integer({ min: 5, max: 1200 }).map(scratch),
        fc
          .double({ min: 0, max: 90, noNaN: true })
          .map((n) => fuel(n, { filledL: n / 3, paid: { litres: n / 3, minor: Math.round(n * 70) } })),
        fc.integer({ min: -30, max: 400 }).map(late),
        fc.integer({ min: 1, max: 90_000 }).map(receipt),
      ),
      { maxLength: 5, selector: ({ key }) => key },
    );
    const answers = fc.dictionary(
      fc.constantFrom('count/fender', 'mark/m', 'fuel/petrol', 'late', 'receipt/r'),
      fc.constantFrom('accepted', 'disputed', 'waived'),
    );
    const lists = fc.record({
      fuelScheme: fc.constantFrom('topUp' as const, 'used' as const, 'included' as const, 'flat' as const),
      fuelIncludedL: fc.integer({ min: 0, max: 60 }),
      damage: fc.constantFrom<PriceList['damage']>(
        { policy: 'list' },
        { policy: 'cap', capMinor: 9000 },
        { policy: 'quoteLater', holdMinor: 7000 },
      ),
    });
    fc.assert(
      fc.property(anything, answers, lists, fc.integer({ min: 0, max: 100_000 }), (findings, said, more, held) => {
        const record = recordOf(
          ...Object.entries(said).map(([line, state]): EventBody => ({ kind: 'lineDecided', line, state: state as 'accepted' })),
        );
        const got = statementOf(record, findings, list(more), of(held));
        const { deposit } = got;
        expect(deposit.capturedMinor + deposit.releasedMinor + deposit.stillHeldMinor).toBe(deposit.heldMinor);
        expect(got.balanceMinor - got.payOutMinor).toBe(got.totalMinor - deposit.capturedMinor);
        for (const value of [got.balanceMinor, got.payOutMinor, got.disputedMinor, ...Object.values(deposit)])
          expect(value).toBeGreaterThanOrEqual(0);
        for (const value of [
          got.totalMinor,
          ...got.lines.map(({ amountMinor }) => amountMinor ?? 0),
          ...got.taxes.map(({ taxMinor }) => taxMinor),
        ])
          expect(Number.isInteger(value)).toBe(true);
        expect(got.taxes.reduce((sum, { grossMinor }) => sum + grossMinor, 0)).toBe(got.totalMinor);
        expect(new Set(got.lines.map(({ key }) => key)).size).toBe(got.lines.length);
        // Only what the renter is owed is below nothing.
        for (const { finding, key, amountMinor = 0 } of got.lines)
          if (finding.topic !== 'receipt' && !key.endsWith('/credit')) expect(amountMinor).toBeGreaterThanOrEqual(0);
        expect(statementOf(record, findings, list(more), of(held))).toEqual(got);
      }),
    );
  });
});
