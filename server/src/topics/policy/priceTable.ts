import type { PriceTablePreview } from '@quay/contract/prices';
import { MARK_KINDS, type MarkKind } from '@quay/core/condition/marks';
import { readMinor, writeMinor } from '@quay/core/money/minor';
import { typedNumber } from '@quay/core/number/typed';
import { type Dated, priceChanges, replanned, withPrices } from '@quay/core/settlement/planned';
import { Price } from '@quay/core/settlement/prices';
import { isDay } from '@quay/core/time/calendar';
import { LANGUAGES, type Wording } from '@quay/core/words/words';
import { type CsvRow, readCsv, writeCsv } from '../../platform/csv';
import type { Fault } from '../../platform/fault';

/** The price list as a table: one row a price, and one more for each day from which it is another. */

/** A price of a table. @property from day from which it holds; empty: now */
export type PriceRow = { from: string; price: Price };

/** Columns that may be left out: what a row mends, what age takes off, and from when it holds. */
const MORE = ['mends', 'ageing_years', 'ageing_least_percent', 'valid_from'] as const;
const NAMED = LANGUAGES.filter((one) => one !== 'en');
/** More prices than any list has. */
const MOST_ROWS = 2000;

/** A price's name in the languages that have a word for it. */
const nameOf = (row: CsvRow): Wording => {
  const name: Wording = { en: row.get('name') };
  for (const language of LANGUAGES) {
    const word = row.get(`name_${language}`);
    if (word) name[language] = word;
  }
  return name;
};

/** A sum with a point or a comma before its decimals. */
const sumOf = (text: string, currency: string): number | undefined =>
  readMinor(text.includes('.') ? text : text.replace(',', '.'), currency);
const figure = (text: string): number => (text === '' ? 0 : typedNumber(text));

/** Reads a table of prices; what is wrong is told by line. @param file what the table is called where it is told */
export const readPriceRows = (text: string, currency: string, faults: Fault[], file = 'prices.csv'): PriceRow[] => {
  const seen = new Set<string>();
  const rows = readCsv(file, text, ['code', 'name', 'per', 'amount', 'tax_percent', 'mark_kinds', 'stuff', 'up_to_mm'], faults);
  if (rows.length > MOST_ROWS) {
    faults.push({ file, where: `line ${rows[MOST_ROWS]!.line}`, reason: `so many prices are no list: at most ${MOST_ROWS}` });
    return [];
  }
  return rows.flatMap((row): PriceRow[] => {
    const where = `line ${row.line}`;
    const [code, from] = [row.get('code'), row.get('valid_from')];
    const kinds = row.get('mark_kinds').split('|').filter(Boolean);
    const amountMinor = sumOf(row.get('amount'), currency);
    if (amountMinor === undefined) faults.push({ file, where, reason: `amount “${row.get('amount')}” is no sum in ${currency}` });
    const unknown = kinds.filter((kind) => !(MARK_KINDS as readonly string[]).includes(kind));
    if (unknown.length > 0) faults.push({ file, where, reason: `mark_kinds “${unknown.join('|')}” is not among ${MARK_KINDS.join(', ')}` });
    if (from !== '' && !isDay(from)) faults.push({ file, where, reason: `valid_from “${from}” is no day: 2027-01-31` });
    if (seen.has(`${code} ${from}`)) faults.push({ file, where, reason: `code “${code}” is used twice` });
    seen.add(`${code} ${from}`);
    const read = Price.safeParse({
      code,
      name: nameOf(row),
      per: row.get('per'),
      amountMinor: amountMinor ?? 0,
      taxBp: Math.round(figure(row.get('tax_percent')) * 100),
      ...(row.get('mends') ? { mends: row.get('mends') } : {}),
      ...(row.get('ageing_years')
        ? { ageing: { years: figure(row.get('ageing_years')), leastBp: Math.round(figure(row.get('ageing_least_percent')) * 100) } }
        : {}),
      ...(kinds.length > 0 ? { mark: { kinds: kinds as MarkKind[], stuff: row.get('stuff'), upToMm: figure(row.get('up_to_mm')) } } : {}),
    });
    if (read.success) return [{ from, price: read.data }];
    for (const issue of read.error.issues) faults.push({ file, where: `${where}, ${issue.path.join('.')}`, reason: issue.message });
    return [];
  });
};

/** Rows of what holds now, those whose day has come among them: a later one over an earlier. @param today local day */
export const rowsNow = (rows: readonly PriceRow[], today: string): Price[] => {
  const come = rows.filter(({ from }) => from <= today).sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0));
  return [...new Map(come.map(({ price }) => [price.code, price])).values()];
};

/** The lists in time with the rows of a table laid over them; what the table does not name stays. */
export const withRows = (lists: readonly Dated[], rows: readonly PriceRow[], today: string): Dated[] => {
  const lay = (chain: readonly Dated[], from: string, prices: readonly Price[]): Dated[] => {
    const under = (chain.find((one) => one.from === from) ?? chain.filter((one) => one.from < from).at(-1))!.list;
    return replanned(chain, from, { ...under, prices: withPrices(under.prices, prices) });
  };
  const days = [...new Set(rows.map(({ from }) => from))].filter((from) => from > today).sort();
  return days.reduce<Dated[]>(
    (chain, day) =>
      lay(
        chain,
        day,
        rows.filter(({ from }) => from === day).map(({ price }) => price),
      ),
    lay(lists, '', rowsNow(rows, today)),
  );
};

/** By day, what would be otherwise than it is now, or is planned. */
export const changesBetween = (before: readonly Dated[], after: readonly Dated[]): PriceTablePreview['lists'] =>
  after.flatMap(({ from, list }) => {
    const was = before.filter((one) => one.from <= from).at(-1)?.list.prices ?? [];
    const changes = priceChanges(was, list.prices);
    return changes.length > 0 ? [{ from: from === '' ? null : from, changes }] : [];
  });

/** The lists as a table: all that holds now, then what is otherwise from each day on. */
export const writePriceTable = (lists: readonly Dated[]): string => {
  const rows = lists.flatMap(({ from, list }, i): PriceRow[] =>
    i === 0
      ? list.prices.map((price) => ({ from: '', price }))
      : priceChanges(lists[i - 1]!.list.prices, list.prices).flatMap(({ is }) => (is ? [{ from, price: is }] : [])),
  );
  const currency = lists[0]?.list.currency ?? 'EUR';
  return writeCsv(
    ['code', 'name', 'per', 'amount', 'tax_percent', 'mark_kinds', 'stuff', 'up_to_mm', ...MORE, ...NAMED.map((one) => `name_${one}`)],
    rows.map(({ from, price: { code, name, per, amountMinor, taxBp, mark, mends, ageing } }) => ({
      code,
      name: name.en,
      per,
      amount: writeMinor(amountMinor, currency),
      tax_percent: taxBp / 100,
      ...(mark ? { mark_kinds: mark.kinds.join('|'), stuff: mark.stuff, up_to_mm: mark.upToMm } : {}),
      mends,
      ...(ageing ? { ageing_years: ageing.years, ageing_least_percent: ageing.leastBp / 100 } : {}),
      valid_from: from,
      ...Object.fromEntries(NAMED.map((one) => [`name_${one}`, name[one]])),
    })),
  );
};
