import type { Finding } from '../findings/finding';
import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { correctionFaults, keptFor, standingsOf } from './correction';
import type { Line, Statement } from './statement';

const line = (key: string, amountMinor: number | undefined, state: Line['state'], holdMinor = 0): Line => ({
  key,
  finding: {} as Finding,
  price: undefined,
  quantity: 1,
  amountMinor,
  state,
  basis: holdMinor > 0 ? [{ is: 'quoteLater', holdMinor }] : [],
  untold: false,
  remark: state === 'disputed' ? 'it was there' : undefined,
});
const closed = {
  lines: [line('a', 8000, 'disputed'), line('b', 5000, 'accepted'), line('c', undefined, 'proposed', 12_000), line('d', -1800, 'accepted')],
} as Statement;
const corrected = (number: number, ...lines: [string, number][]): EventBody => ({
  kind: 'corrected',
  number,
  corrects: 1,
  lines: lines.map(([name, amountMinor]) => ({ line: name, amountMinor })),
  why: 'talked it over',
  statement: 'a'.repeat(64),
});
const of = (...bodies: EventBody[]) => standingsOf(recordOf(...bodies), closed);

describe('what becomes of a closed statement', () => {
  it('has open what is disputed and what waits for a price, and keeps their part held', () => {
    expect(of().map(({ open, chargedMinor }) => [open, chargedMinor])).toEqual([
      [true, 0],
      [false, 5000],
      [true, 0],
      [false, -1800],
    ]);
    expect(keptFor(of())).toBe(20_000);
  });

  it('is settled line by line, in part or not at all, and a settled line holds nothing', () => {
    const after = of(corrected(2, ['a', 3000], ['c', 14_000]));
    expect(after.map(({ open, chargedMinor }) => [open, chargedMinor])).toEqual([
      [false, 3000],
      [false, 5000],
      [false, 14_000],
      [false, -1800],
    ]);
    expect(keptFor(after)).toBe(0);
    expect(of(corrected(2, ['a', 0]))[0]).toMatchObject({ open: false, chargedMinor: 0 });
  });

  it('is opened again by a renter who does not agree after all', () => {
    const contested: EventBody = { kind: 'lineContested', line: 'b', remark: 'we counted four' };
    expect(of(contested)[1]).toMatchObject({ open: true, remark: 'we counted four', chargedMinor: 5000 });
    expect(keptFor(of(contested))).toBe(20_000);
    expect(of(contested, corrected(2, ['b', -5000]))[1]).toMatchObject({ open: false, chargedMinor: 0 });
  });

  it('never charges more than was claimed, nor gives back more than was charged', () => {
    const faults = (...lines: [string, number][]) =>
      correctionFaults(
        of(),
        lines.map(([name, amountMinor]) => ({ line: name, amountMinor })),
      ).map(({ is }) => is);
    expect(faults(['a', 8000], ['b', -5000], ['c', 40_000])).toEqual([]);
    expect(faults(['a', 8001])).toEqual(['overClaim']);
    expect(faults(['b', -5001])).toEqual(['belowNothing']);
    expect(faults(['b', 0])).toEqual(['nothing']);
    expect(faults(['x', 1])).toEqual(['noSuchLine']);
    expect(faults(['a', 100], ['a', 100])).toEqual(['twice']);
    expect(faults(['d', 1800])).toEqual([]);
    expect(faults(['d', 1801])).toEqual(['overClaim']);
  });
});
