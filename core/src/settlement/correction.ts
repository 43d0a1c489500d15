import { currentUnder, type HireRecord } from '../events/record';
import { corrected, lineContested } from './events';
import { happenedAt } from '../events/stored';
import { type Line, type Statement, taxesOf } from './statement';

/** What has become of one line of a closed statement since. */
export type Standing = {
  line: Line;
  /** What is charged for it by now: by the statement, and by those that corrected it. */
  chargedMinor: number;
  /** The most that can still be charged for it; none where nobody has named an amount yet. */
  mostMinor: number | undefined;
  /** Somebody has to settle it: it is disputed, contested or waits for its price, and no correction has spoken of it. */
  open: boolean;
  /** What the renter said of it, before or after the closing. */
  remark: string | undefined;
};

const chargedAtClosing = ({ state, amountMinor }: Line): number => (state === 'proposed' || state === 'accepted' ? (amountMinor ?? 0) : 0);

/** Every line of a closed statement with what was said and done about it since. */
export const standingsOf = (record: HireRecord, closed: Statement): Standing[] => {
  const corrections = currentUnder(record, ['corrected'], corrected);
  const contested = currentUnder(record, ['contested'], lineContested);
  return closed.lines.map((line): Standing => {
    const changes = corrections.flatMap(({ value, by }) =>
      value.lines.filter((one) => one.line === line.key).map(({ amountMinor }) => ({ amountMinor, at: happenedAt(by) })),
    );
    const against = contested.find(({ value }) => value.line === line.key);
    const settledAt = changes.at(-1)?.at;
    const waits = line.state === 'disputed' || (line.amountMinor === undefined && line.state !== 'waived');
    return {
      line,
      chargedMinor: chargedAtClosing(line) + changes.reduce((sum, { amountMinor }) => sum + amountMinor, 0),
      mostMinor: line.amountMinor,
      open:
        (waits && settledAt === undefined) || (against !== undefined && (settledAt === undefined || happenedAt(against.by) > settledAt)),
      remark: against?.value.remark ?? line.remark,
    };
  });
};

/** What is charged by now, by all statements of the hire together. */
export const chargedOf = (standings: readonly Standing[]): number => standings.reduce((sum, { chargedMinor }) => sum + chargedMinor, 0);

/** What of the deposit has to stay held for lines that nobody has settled yet. */
export const keptFor = (standings: readonly Standing[]): number =>
  standings.reduce((sum, { line, open, chargedMinor }) => {
    if (!open) return sum;
    const later = line.basis.reduce((total, one) => total + (one.is === 'quoteLater' ? one.holdMinor : 0), 0);
    return sum + Math.max(0, later + (line.amountMinor ?? 0) - chargedMinor);
  }, 0);

export type CorrectionFault = { line: string; is: 'noSuchLine' | 'twice' | 'belowNothing' | 'overClaim' | 'nothing' };

/** Whether a correction can stand: by line, what is charged beyond what is charged already, or credited of it. */
export const correctionFaults = (
  standings: readonly Standing[],
  lines: readonly { line: string; amountMinor: number }[],
): CorrectionFault[] =>
  lines.flatMap(({ line, amountMinor }, i): CorrectionFault[] => {
    const of = standings.find((one) => one.line.key === line);
    if (!of) return [{ line, is: 'noSuchLine' }];
    if (lines.findIndex((one) => one.line === line) !== i) return [{ line, is: 'twice' }];
    // Deciding that a disputed line costs nothing is a decision; saying nothing about a settled one is none.
    if (amountMinor === 0 && !of.open) return [{ line, is: 'nothing' }];
    const after = of.chargedMinor + amountMinor;
    const [least, most] = of.mostMinor !== undefined && of.mostMinor < 0 ? [of.mostMinor, 0] : [0, of.mostMinor];
    if (after < least) return [{ line, is: 'belowNothing' }];
    return most !== undefined && after > most ? [{ line, is: 'overClaim' }] : [];
  });

export type Correction = {
  lines: { line: Line; amountMinor: number; chargedMinor: number }[];
  totalMinor: number;
  taxes: Statement['taxes'];
};

/** What a correction without faults comes to. */
export const correctionOf = (standings: readonly Standing[], lines: readonly { line: string; amountMinor: number }[]): Correction => {
  const changed = lines.map(({ line: key, amountMinor }) => {
    const { line, chargedMinor } = standings.find((one) => one.line.key === key)!;
    return { line, amountMinor, chargedMinor: chargedMinor + amountMinor };
  });
  return { lines: changed, totalMinor: changed.reduce((sum, { amountMinor }) => sum + amountMinor, 0), taxes: taxesOf(changed) };
};
