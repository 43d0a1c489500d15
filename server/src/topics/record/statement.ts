import type { Knex } from 'knex';
import { digestOf } from '@quay/core/events/canonical';
import type { Correction } from '@quay/core/settlement/correction';
import type { Statement } from '@quay/core/settlement/statement';
import { dateOf } from '@quay/core/time/zone';

type Head = {
  number: number | null;
  /** What stood before numbers when it was closed. */
  prefix?: string;
  closedAt: string | null;
  hire: string;
  boat: string;
  renter: string;
  from: string;
  to: string;
};

/** The statement as it was closed: kept whole, so that it never changes when wording or code does. */
export type StatementBody = Head & { statement: Statement };

/** A statement that puts another right. */
export type CorrectionBody = Head &
  Correction & {
    number: number;
    closedAt: string;
    corrects: number;
    why: string;
    currency: string;
  };

type Row = { number: number; hire: string; corrects: number | null; digest: string; body: string; closedAt: string };

/** Statements closed before lines had reasons and credits are read as they were meant. */
const readStatement = (text: string): StatementBody => {
  const body = JSON.parse(text) as StatementBody;
  const { statement } = body;
  return {
    ...body,
    statement: {
      ...statement,
      payOutMinor: statement.payOutMinor ?? 0,
      open: statement.open ?? [],
      lines: statement.lines.map((line) => ({ ...line, basis: line.basis ?? [], untold: line.untold ?? line.finding.briefed === 'no' })),
    },
  };
};

export const closedStatement = async (db: Knex, hire: string): Promise<StatementBody | undefined> => {
  const row = await db('statement').where({ hire }).whereNull('corrects').first('body');
  return row && readStatement(row.body);
};

export const correctionBody = async (db: Knex, hire: string, number: number): Promise<CorrectionBody | undefined> => {
  const row = await db('statement').where({ hire, number }).whereNotNull('corrects').first('body');
  return row && (JSON.parse(row.body) as CorrectionBody);
};

/** Numbers are given in the transaction that uses them, so that one that fails takes none. */
export const nextNumber = async (trx: Knex): Promise<number> => {
  const last = await trx('statement').max<{ n: number | null }>({ n: 'number' }).first();
  return (last?.n ?? 0) + 1;
};

/** @param body of a statement that is made: it has its number, and its day */
export const keepStatement = async (
  trx: Knex,
  body: (StatementBody | CorrectionBody) & { number: number; closedAt: string },
): Promise<string> => {
  const text = JSON.stringify(body);
  const digest = digestOf(JSON.parse(text));
  await trx('statement').insert({
    number: body.number,
    hire: body.hire,
    corrects: 'corrects' in body ? body.corrects : null,
    digest,
    body: text,
    closedAt: body.closedAt,
  });
  return digest;
};

export type Settled = {
  body: StatementBody | CorrectionBody;
  /** Of its closing, `YYYY-MM-DD` on the calendar of the base. */
  day: string;
};

/** An instant so many days from midnight UTC of a day: no calendar is farther from it than one. */
const daysFrom = (day: string, days: number): string => new Date(Date.parse(day) + days * 86_400_000).toISOString();

/** Every statement there is between two days of its base's calendar, both of them in it, in the order of their numbers. */
export const allStatements = async (db: Knex, { from, to }: { from?: string | undefined; to?: string | undefined }): Promise<Settled[]> => {
  const rows = (await db('statement')
    .join('hire', 'hire.id', 'statement.hire')
    .join('base', 'base.id', 'hire.base')
    .modify((query) => {
      if (from !== undefined) void query.where('statement.closedAt', '>=', daysFrom(from, -1));
      if (to !== undefined) void query.where('statement.closedAt', '<', daysFrom(to, 2));
    })
    .orderBy('number')
    .select('statement.body', 'statement.corrects', 'statement.closedAt', 'base.zone')) as (Row & { zone: string })[];
  return rows.flatMap(({ body, corrects, closedAt, zone }): Settled[] => {
    const day = dateOf(closedAt, zone);
    if ((from !== undefined && day < from) || (to !== undefined && day > to)) return [];
    return [{ body: corrects === null ? readStatement(body) : (JSON.parse(body) as CorrectionBody), day }];
  });
};
