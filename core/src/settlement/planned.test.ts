import fc from 'fast-check';
import { type Dated, priceChanges, replanned, type Terms, withPrices } from './planned';
import { type Price, PriceList } from './prices';

const CODES = ['fender', 'jacket', 'line', 'pump-out', 'horn'] as const;
const price = (code: string, amountMinor: number): Price => ({ code, name: { en: code }, per: 'each', amountMinor, taxBp: 2000 });
const prices = (least = 0) =>
  fc
    .uniqueArray(fc.constantFrom(...CODES), { minLength: least })
    .chain((codes) => fc.tuple(...codes.map((code) => fc.nat(9).map((n) => price(code, n * 100)))));
const terms = (rows: readonly Price[], lateGraceMin = 15): Terms => {
  const { version: _, ...list } = PriceList.parse({
    version: 1,
    currency: 'EUR',
    fuelScheme: 'used',
    fuelIncludedL: 0,
    lateGraceMin,
    prices: [...rows],
  });
  return list;
};
const amounts = ({ prices: rows }: Terms) => Object.fromEntries(rows.map(({ code, amountMinor }) => [code, amountMinor]));
const now = terms([price('fender', 3800), price('jacket', 6500)]);
const later = (from: string, ...rows: Price[]): Dated => ({ from, list: { ...now, prices: withPrices(now.prices, rows) } });

describe('what one price list has otherwise than another', () => {
  it('laid over the other, makes it the one: rows changed, new ones, and none for what is the same', () => {
    fc.assert(
      fc.property(prices(), prices(), (a, b) => {
        const changes = priceChanges(a, b);
        const rows = changes.flatMap(({ is }) => (is ? [is] : []));
        const kept = a.filter(({ code }) => !changes.some((change) => change.code === code && !change.is));
        const made = withPrices(kept, rows);
        expect(new Map(made.map((row) => [row.code, row]))).toEqual(new Map(b.map((row) => [row.code, row])));
        expect(priceChanges(b, made)).toEqual([]);
        // The order of a list stays.
        expect(made.filter(({ code }) => kept.some((row) => row.code === code)).map(({ code }) => code)).toEqual(
          kept.map(({ code }) => code),
        );
      }),
    );
  });
});

describe('a list that is planned', () => {
  it('keeps what it has otherwise when the one that holds now is changed, and follows it in the rest', () => {
    const chain = replanned([{ from: '', list: now }, later('2027-01-01', price('fender', 4500))], '', {
      ...terms([price('fender', 4000), price('jacket', 7000)], 30),
    });
    expect(chain.map(({ from, list }) => [from, amounts(list), list.lateGraceMin])).toEqual([
      ['', { fender: 4000, jacket: 7000 }, 30],
      ['2027-01-01', { fender: 4500, jacket: 7000 }, 30],
    ]);
  });

  it('goes without what is taken off the list, and later ones follow one that is put between or taken out', () => {
    const start = [{ from: '', list: now }, later('2027-03-01', price('fender', 5000))];
    const between = replanned(start, '2027-01-01', later('', price('jacket', 9900)).list);
    expect(between.map(({ from, list }) => [from, amounts(list)])).toEqual([
      ['', { fender: 3800, jacket: 6500 }],
      ['2027-01-01', { fender: 3800, jacket: 9900 }],
      ['2027-03-01', { fender: 5000, jacket: 9900 }],
    ]);
    expect(replanned(between, '2027-01-01', undefined)).toEqual(start);
    expect(replanned(start, '', terms([price('jacket', 6500)])).map(({ list }) => amounts(list))).toEqual([
      { jacket: 6500 },
      { jacket: 6500 },
    ]);
  });

  it('put in place twice is in place once, and nothing before it moves', () => {
    const days = fc.constantFrom('', '2027-01-01', '2027-02-01', '2027-03-01');
    fc.assert(
      fc.property(prices(1), fc.array(fc.tuple(days, prices(1)), { maxLength: 8 }), days, prices(1), (first, edits, day, rows) => {
        const lists = edits.reduce<Dated[]>(
          (chain, [from, next]) => replanned(chain, from, terms(next)),
          [{ from: '', list: terms(first) }],
        );
        const once = replanned(lists, day, terms(rows));
        expect(replanned(once, day, terms(rows))).toEqual(once);
        expect(once.filter(({ from }) => from < day)).toEqual(lists.filter(({ from }) => from < day));
        expect(once.map(({ from }) => from)).toEqual([...new Set([...lists.map(({ from }) => from), day])].sort());
        expect(once.find(({ from }) => from === day)!.list).toEqual(terms(rows));
      }),
    );
  });
});
