import type { Knex } from 'knex';
import { type CorrectionFault, correctionFaults, correctionOf, standingsOf } from '@quay/core/settlement/correction';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import { wholeRecord } from '../record/record';
import { closedStatement, keepStatement, nextNumber } from '../record/statement';

export type Corrected =
  | { ok: true; number: number }
  | { ok: false; reason: 'noSuchHire' | 'notClosed' | 'changedMeanwhile' }
  | { ok: false; reason: 'doesNotStand'; faults: CorrectionFault[] };

/** Puts a closed statement right: the next number, a body of its own, and the quay's word in the record, all at once. */
export const correct = (
  db: Knex,
  hire: string,
  { seen, lines, why }: { seen: number; lines: readonly { line: string; amountMinor: number }[]; why: string },
  now: string,
): Promise<Corrected> =>
  db.transaction(async (trx): Promise<Corrected> => {
    if ((await trx('hire').where({ id: hire }).first('id')) === undefined) return { ok: false, reason: 'noSuchHire' };
    const closed = await closedStatement(trx, hire);
    if (!closed) return { ok: false, reason: 'notClosed' };
    const last = await trx('statement').where({ hire }).max<{ n: number }>({ n: 'number' }).first();
    if (last?.n !== seen) return { ok: false, reason: 'changedMeanwhile' };
    const whole = await wholeRecord(trx, hire);
    const standings = standingsOf(whole.record, closed.statement);
    const faults = correctionFaults(standings, lines);
    if (faults.length > 0) return { ok: false, reason: 'doesNotStand', faults };
    const number = await nextNumber(trx);
    const { statement, ...head } = closed;
    const digest = await keepStatement(trx, {
      ...head,
      number,
      closedAt: now,
      corrects: closed.number!,
      why,
      currency: statement.currency,
      ...correctionOf(standings, lines),
    });
    await appendQuayEvent(trx, hire, {
      body: {
        kind: 'corrected',
        number,
        ...(head.prefix === undefined ? {} : { prefix: head.prefix }),
        corrects: closed.number!,
        lines: [...lines],
        why,
        statement: digest,
      },
      seq: nextSeq(whole.stored),
      bookVersion: whole.record.bookVersion ?? 1,
      now,
    });
    return { ok: true, number };
  });
