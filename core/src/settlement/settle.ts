import type { Finding } from '../findings/finding';
import { type HireRecord } from '../events/record';
import type { Book } from '../fleet/book';
import { findingsOf } from '../findings/findings';
import { depositOf } from './deposit';
import type { PriceList } from './prices';
import { type Statement, statementOf } from './statement';

/** What a hire is settled by: when it was, what was to be held, and how the operator plans. */
export type Settling = {
  hire: { from: string; to: string; depositMinor: number };
  book: Book;
  prices: PriceList;
  operator: { underWayHoursADay: number };
};

export const findingsOfHire = (record: HireRecord, { hire, book, operator }: Omit<Settling, 'prices'>): Finding[] =>
  findingsOf(record, book, { from: hire.from, to: hire.to, hoursADay: operator.underWayHoursADay });

/** Findings of a hire and the statement they come to, against what of its deposit is really held. */
export const settle = (record: HireRecord, of: Settling): { findings: Finding[]; statement: Statement } => {
  const findings = findingsOfHire(record, of);
  const { from, to, depositMinor } = of.hire;
  return {
    findings,
    statement: statementOf(record, findings, of.prices, { heldMinor: depositOf(record, depositMinor).heldMinor, from, to }),
  };
};

/**
 * What one decision would come to, before anybody takes it: the lines of that finding as they would stand then, minor units;
 * negative where the renter would be owed it. Nothing where no price fits and a manager would have to name one.
 */
export const costOf = (record: HireRecord, of: Settling, key: string, decision: NonNullable<Finding['decision']>): number | undefined => {
  const findings = findingsOfHire(record, of).map((finding) => (finding.key === key ? { ...finding, decision } : finding));
  const { from, to, depositMinor } = of.hire;
  const { lines } = statementOf(record, findings, of.prices, { heldMinor: depositOf(record, depositMinor).heldMinor, from, to });
  return lines
    .filter(({ finding }) => finding.key === key)
    .reduce<number | undefined>(
      (sum, { amountMinor }) => (sum === undefined || amountMinor === undefined ? undefined : sum + amountMinor),
      0,
    );
};
