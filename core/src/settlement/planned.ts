import type { Price, PriceList } from './prices';

/** Price lists in time: the one that holds now, and those that hold from a day on. */

export type Terms = Omit<PriceList, 'version'>;
/** @property from local day, `YYYY-MM-DD`, from which it holds; empty of the one that holds now */
export type Dated = { from: string; list: Terms };

/** One row that another list has otherwise, has not, or has beside. */
export type PriceChange = { code: string; was: Price | undefined; is: Price | undefined };

const byCode = (prices: readonly Price[]): ReadonlyMap<string, Price> => new Map(prices.map((price) => [price.code, price]));
/** A row as it is compared: whatever order its fields stand in. */
const said = (price: Price): string =>
  JSON.stringify([
    price.code,
    Object.entries(price.name).sort(([a], [b]) => (a < b ? -1 : 1)),
    price.per,
    price.amountMinor,
    price.taxBp,
    price.mark && [[...price.mark.kinds], price.mark.stuff, price.mark.upToMm],
    price.mends,
    price.ageing && [price.ageing.years, price.ageing.leastBp],
  ]);
const same = (a: Price | undefined, b: Price | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && said(a) === said(b));

/** What one list has otherwise than another, in the order of the other, then what is new. */
export const priceChanges = (before: readonly Price[], after: readonly Price[]): PriceChange[] => {
  const [was, is] = [byCode(before), byCode(after)];
  return [
    ...before.flatMap((price): PriceChange[] =>
      same(price, is.get(price.code)) ? [] : [{ code: price.code, was: price, is: is.get(price.code) }],
    ),
    ...after.flatMap((price): PriceChange[] => (was.has(price.code) ? [] : [{ code: price.code, was: undefined, is: price }])),
  ];
};

/** A list with rows laid over it: those of the same code in their places, new ones at the end. */
export const withPrices = (prices: readonly Price[], rows: readonly Price[]): Price[] => {
  const over = byCode(rows);
  const known = new Set(prices.map(({ code }) => code));
  return [...prices.map((price) => over.get(price.code) ?? price), ...[...over.values()].filter(({ code }) => !known.has(code))];
};

/**
 * A planned list over a newer one: what it has otherwise than the list before it stays so, everything else is as the newer
 * one has it. How fuel, lateness and damage are charged is never planned: it is as it holds.
 */
const carried = (planned: Terms, before: Terms, after: Terms): Terms => {
  const gone = new Set(before.prices.filter(({ code }) => !after.prices.some((price) => price.code === code)).map(({ code }) => code));
  const own = priceChanges(before.prices, planned.prices).flatMap(({ code, is }) => (is && !gone.has(code) ? [is] : []));
  return { ...after, prices: withPrices(after.prices, own) };
};

/**
 * The lists in time after one of them was put in place, or taken out; what is planned for later is carried over.
 * @param lists in order of their days, the one that holds now first @param next nothing: taken out
 */
export const replanned = (lists: readonly Dated[], from: string, next: Terms | undefined): Dated[] => {
  const others = lists.filter((one) => one.from !== from);
  const wanted = (next ? [...others, { from, list: next }] : others).sort((a, b) => (a.from < b.from ? -1 : 1));
  const beforeOf = (day: string) => lists.filter((one) => one.from < day).at(-1);
  return wanted.reduce<Dated[]>((done, one) => {
    const [old, now] = [beforeOf(one.from), done.at(-1)];
    const stays = one.from <= from || !old || !now;
    return [...done, stays ? one : { from: one.from, list: carried(one.list, old.list, now.list) }];
  }, []);
};
