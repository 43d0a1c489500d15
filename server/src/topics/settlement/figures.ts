import type { Knex } from 'knex';
import Papa from 'papaparse';
import type { Figure, Sort } from '@quay/contract/settlement';
import { say } from '@quay/core/words/words';
import { measuresIn } from '@quay/core/number/units';
import { writeMinor } from '@quay/core/money/minor';
import { isDamage } from '@quay/core/settlement/charges';
import { lineText } from '@quay/core/settlement/lineText';
import { numberText } from '@quay/core/number/statementNumber';
import { STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import type { Line } from '@quay/core/settlement/statement';
import { readHandoverPolicy } from '../../platform/database/setting';
import { allStatements, type CorrectionBody, type StatementBody } from '../record/statement';

type Span = { from?: string | undefined; to?: string | undefined };

const sortOf = ({ finding, amountMinor = 0 }: Line): Sort => {
  if (amountMinor < 0) return 'credits';
  if (finding.topic === 'fuel') return 'fuel';
  if (finding.topic === 'late') return 'late';
  if (isDamage(finding)) return 'damage';
  return finding.topic === 'count' ? 'lost' : 'other';
};

/** What each line of a statement moves: all of it in the first, the difference in one that corrects. */
const movesOf = (body: StatementBody | CorrectionBody): { line: Line; minor: number }[] =>
  'corrects' in body
    ? body.lines.map(({ line, amountMinor }) => ({ line, minor: amountMinor }))
    : body.statement.lines
        .filter(({ state }) => state === 'proposed' || state === 'accepted')
        .map((line) => ({ line, minor: line.amountMinor ?? 0 }));

/** Sums of all statements closed in a span, by boat and by the month of the closing, as the base's calendar has it. */
export const figuresOf = async (db: Knex, span: Span): Promise<Figure[]> => {
  const boats = new Map((await db('hire').select('id', 'boat')).map(({ id, boat }) => [id, boat]));
  const rows = new Map<string, Figure>();
  for (const { body, day } of await allStatements(db, span)) {
    const [boat, month] = [boats.get(body.hire) ?? body.hire, day.slice(0, 7)];
    const key = `${month}/${boat}`;
    const row: Figure = rows.get(key) ?? {
      boat,
      name: body.boat,
      month,
      hires: 0,
      fuel: 0,
      damage: 0,
      lost: 0,
      late: 0,
      other: 0,
      credits: 0,
      disputed: 0,
      disputes: 0,
    };
    rows.set(key, row);
    for (const { line, minor } of movesOf(body)) row[sortOf(line)] += minor;
    if ('corrects' in body) continue;
    row.hires += 1;
    row.disputed += body.statement.disputedMinor;
    row.disputes += body.statement.lines.filter(({ state }) => state === 'disputed').length;
  }
  return [...rows.values()].sort((a, b) => (a.month < b.month ? -1 : a.month > b.month ? 1 : a.name < b.name ? -1 : 1));
};

const csv = (columns: readonly string[], rows: readonly Readonly<Record<string, string | number>>[]): string =>
  // What people wrote must not be taken for a formula by whoever opens it.
  `${Papa.unparse({ fields: [...columns], data: rows.map((row) => columns.map((column) => row[column] ?? '')) }, { newline: '\r\n', escapeFormulae: true })}\r\n`;

const SUMS = ['fuel', 'damage', 'lost', 'late', 'other', 'credits', 'disputed'] as const;

export const figuresCsv = (figures: readonly Figure[], currency: string): string =>
  csv(
    ['month', 'boat', 'hires', ...SUMS, 'disputes', 'currency'],
    figures.map((row) => ({
      month: row.month,
      boat: row.name,
      hires: row.hires,
      ...Object.fromEntries(SUMS.map((sum) => [sum, Number(writeMinor(row[sum], currency))])),
      disputes: row.disputes,
      currency,
    })),
  );

/** Every line of every statement; amounts contain their tax, and each statement's tax stands by rate in lines of its own. */
export const statementsCsv = async (db: Knex, span: Span): Promise<string> => {
  const words = STATEMENT_WORDS.en;
  const measures = measuresIn((await readHandoverPolicy(db)).units);
  const rows = (await allStatements(db, span)).flatMap(({ body }) => {
    const currency = 'corrects' in body ? body.currency : body.statement.currency;
    const amount = (minor: number) => Number(writeMinor(minor, currency));
    const head = {
      number: numberText(body.number!, body.prefix),
      corrects: 'corrects' in body ? numberText(body.corrects, body.prefix) : '',
      closed: body.closedAt!,
      hire: body.hire,
      boat: body.boat,
      renter: body.renter,
      currency,
    };
    const lines = movesOf(body).map(({ line, minor }) => {
      const text = lineText(line, { words, language: 'en', money: (value) => writeMinor(value, currency), measures });
      return {
        ...head,
        kind: 'line',
        code: line.price?.code ?? '',
        what: line.price ? say(line.price.name, 'en') : text.title,
        about: text.about.join('; '),
        quantity: line.quantity,
        amount: amount(minor),
        tax_percent: (line.price?.taxBp ?? 0) / 100,
      };
    });
    const taxes = ('corrects' in body ? body.taxes : body.statement.taxes).map(({ taxBp, taxMinor }) => ({
      ...head,
      kind: 'tax',
      what: `of which tax at ${taxBp / 100} %`,
      amount: amount(taxMinor),
      tax_percent: taxBp / 100,
    }));
    const total = 'corrects' in body ? body.totalMinor : body.statement.totalMinor;
    return [...lines, ...taxes, { ...head, kind: 'total', what: 'total', amount: amount(total) }];
  });
  return csv(
    [
      'number',
      'corrects',
      'closed',
      'hire',
      'boat',
      'renter',
      'kind',
      'code',
      'what',
      'about',
      'quantity',
      'amount',
      'tax_percent',
      'currency',
    ],
    rows as Record<string, string | number>[],
  );
};
