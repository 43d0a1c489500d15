import type { Finding } from '../findings/finding';
import { currentOf, type HireRecord } from '../events/record';
import { lineAnswered, lineDecided, lineQuoted, waiverSet } from './events';
import { roundMinor } from '../money/minor';
import { needsDecision } from '../findings/findings';
import { isUnsigned } from '../findings/whoseWord';
import { type Basis, type Charge, chargesOf, isDamage, type Settled } from './charges';
import type { Price, PriceList } from './prices';

export type LineState = 'proposed' | 'accepted' | 'disputed' | 'waived';

export type Line = {
  /** Stays the same however often it is computed. A finding makes one line, fuel also one of what the renter is owed. */
  key: string;
  finding: Finding;
  price: Price | undefined;
  quantity: number;
  /** Negative where the renter is owed it; undefined when no price fits: a manager names it. */
  amountMinor: number | undefined;
  state: LineState;
  basis: Basis[];
  /** The renter was never told what this costs, though the briefing has a point for it. */
  untold: boolean;
  /** What the renter said of it. */
  remark: string | undefined;
};

export type Statement = {
  currency: string;
  lines: Line[];
  /** What is owed by the renter; negative where they are owed something. */
  totalMinor: number;
  disputedMinor: number;
  taxes: { taxBp: number; grossMinor: number; taxMinor: number }[];
  deposit: { heldMinor: number; capturedMinor: number; stillHeldMinor: number; releasedMinor: number };
  /** What the deposit does not cover. */
  balanceMinor: number;
  /** What is paid out to the renter. */
  payOutMinor: number;
  /** Findings nobody has decided yet; while there are any, the statement is a draft. */
  open: Finding[];
  /** Lines without an amount that keep it from being closed. */
  toQuote: Line[];
};

/** The renter's own word on a line comes before what staff put down for them. */
const stateOf = (record: HireRecord, key: string): Pick<Line, 'state' | 'remark'> => {
  const staff = currentOf(record, ['line', key], lineDecided)?.value;
  const renter = currentOf(record, ['answer', key], lineAnswered)?.value;
  const remark = renter?.remark ?? staff?.note;
  if (staff?.state === 'waived') return { state: 'waived', remark };
  return { state: renter?.answer ?? staff?.state ?? 'proposed', remark };
};

const lineOf = (record: HireRecord, finding: Finding, list: PriceList, { price, quantity, amountMinor, basis, key }: Charge): Line => {
  const quoted = currentOf(record, ['quoted', key], lineQuoted)?.value;
  const later = quoted === undefined && amountMinor === undefined && list.damage.policy === 'quoteLater' && isDamage(finding);
  return {
    key,
    finding,
    price,
    quantity,
    amountMinor: quoted?.amountMinor ?? amountMinor,
    basis: [
      ...basis,
      ...(quoted ? [{ is: 'quoted' as const, listedMinor: amountMinor, why: quoted.why }] : []),
      ...(later && list.damage.policy === 'quoteLater' ? [{ is: 'quoteLater' as const, holdMinor: list.damage.holdMinor }] : []),
      ...(isUnsigned(record, finding) ? [{ is: 'unsigned' as const }] : []),
    ],
    untold: finding.briefed === 'no',
    ...stateOf(record, key),
  };
};

/** Damage comes to no more than the excess or the waiver: line after line takes what is left of it. */
const capped = (lines: readonly Line[], capMinor: number | undefined): Line[] => {
  if (capMinor === undefined) return [...lines];
  let left = capMinor;
  return lines.map((line) => {
    if (!isDamage(line.finding) || line.amountMinor === undefined || line.state === 'waived') return line;
    const amountMinor = Math.min(line.amountMinor, left);
    left -= amountMinor;
    return amountMinor === line.amountMinor
      ? line
      : { ...line, amountMinor, basis: [...line.basis, { is: 'capped' as const, capMinor, fullMinor: line.amountMinor }] };
  });
};

const capOf = (record: HireRecord, { damage, waiver }: PriceList): number | undefined => {
  const taken = currentOf(record, ['waiver'], waiverSet)?.value.taken === true;
  const caps = [...(damage.policy === 'cap' ? [damage.capMinor] : []), ...(taken && waiver ? [waiver.capMinor] : [])];
  return caps.length === 0 ? undefined : Math.min(...caps);
};

/** However often the clause was broken, there is one deposit to lose by it. */
const onceWhole = (lines: readonly Line[]): Line[] => {
  const first = lines.find(({ basis, state }) => state !== 'waived' && basis.some(({ is }) => is === 'wholeDeposit'));
  return lines.map((line) =>
    line === first || line.state === 'waived' || !line.basis.some(({ is }) => is === 'wholeDeposit') ? line : { ...line, amountMinor: 0 },
  );
};

const counts = ({ state }: Line): boolean => state === 'proposed' || state === 'accepted';
const heldFor = ({ basis }: Line): number => basis.reduce((sum, one) => sum + (one.is === 'quoteLater' ? one.holdMinor : 0), 0);

/** The tax contained in some amounts, rounded once per rate, half away from zero. */
export const taxesOf = (amounts: readonly { line: Line; amountMinor: number }[]): Statement['taxes'] => {
  const rateOf = ({ price }: Line) => price?.taxBp ?? 0;
  return [...new Set(amounts.map(({ line }) => rateOf(line)))]
    .sort((a, b) => a - b)
    .flatMap((taxBp) => {
      const grossMinor = amounts.reduce((sum, { line, amountMinor }) => (rateOf(line) === taxBp ? sum + amountMinor : sum), 0);
      return grossMinor === 0 ? [] : [{ taxBp, grossMinor, taxMinor: roundMinor((grossMinor * taxBp) / (10_000 + taxBp)) }];
    });
};

/**
 * The settlement of a hire, recomputable at any time from the record and the pinned price list.
 * Tax is contained in the prices. Disputed lines, and those quoted later, keep only their part of the deposit.
 */
export const statementOf = (record: HireRecord, findings: readonly Finding[], list: PriceList, of: Settled): Statement => {
  const { heldMinor } = of;
  const all = findings.flatMap((finding) => chargesOf(finding, list, of).map((charge) => lineOf(record, finding, list, charge)));
  const lines = capped(onceWhole(all), capOf(record, list));
  const sum = (some: readonly Line[]) => some.reduce((total, line) => total + (line.amountMinor ?? 0), 0);
  const totalMinor = sum(lines.filter(counts));
  const disputed = lines.filter(({ state }) => state === 'disputed');
  // What the renter is owed is not kept from them because they find it too little.
  const disputedMinor = sum(disputed.filter(({ amountMinor = 0 }) => amountMinor > 0));
  const keptMinor = disputedMinor + lines.filter(({ state }) => state !== 'waived').reduce((total, line) => total + heldFor(line), 0);
  const capturedMinor = Math.max(0, Math.min(heldMinor, totalMinor));
  const stillHeldMinor = Math.min(heldMinor - capturedMinor, keptMinor);
  return {
    currency: list.currency,
    lines,
    totalMinor,
    disputedMinor,
    taxes: taxesOf(lines.filter(counts).map((line) => ({ line, amountMinor: line.amountMinor ?? 0 }))),
    deposit: { heldMinor, capturedMinor, stillHeldMinor, releasedMinor: heldMinor - capturedMinor - stillHeldMinor },
    balanceMinor: Math.max(0, totalMinor) - capturedMinor,
    payOutMinor: Math.max(0, -totalMinor),
    open: findings.filter(needsDecision),
    toQuote: lines.filter((line) => line.amountMinor === undefined && line.state !== 'waived' && heldFor(line) === 0),
  };
};
