import type { MarkKind } from '../condition/marks';
import { roundMinor } from '../money/minor';
import type { Finding } from '../record/findings';
import { needsDecision } from '../record/findings';
import { type HireRecord, slot } from '../record/project';
import type { Price, PriceList } from './prices';

export type LineState = 'proposed' | 'accepted' | 'disputed' | 'waived';
export type Line = {
  /** The finding's key: one finding, at most one line. */
  key: string;
  finding: Finding;
  price: Price | undefined;
  quantity: number;
  /** Undefined when no price fits: a manager quotes later. */
  amountMinor: number | undefined;
  state: LineState;
};

export type Statement = {
  currency: string;
  lines: Line[];
  totalMinor: number;
  disputedMinor: number;
  taxes: { taxBp: number; grossMinor: number; taxMinor: number }[];
  deposit: { heldMinor: number; capturedMinor: number; stillHeldMinor: number; releasedMinor: number };
  /** What the deposit does not cover: total − captured. */
  balanceMinor: number;
  /** Findings nobody has decided yet; while there are any, the statement is a draft. */
  open: Finding[];
  toQuote: Line[];
};

/** The cheapest row that mends such a mark; repair before replacement is the operator's list's business. */
const repairPrice = (prices: readonly Price[], kind: MarkKind, stuff: string, sizeMm: number): Price | undefined =>
  prices
    .filter(({ mark }) => mark && mark.kinds.includes(kind) && mark.stuff === stuff && sizeMm <= mark.upToMm)
    .sort((a, b) => a.amountMinor - b.amountMinor || (a.code < b.code ? -1 : 1))[0];

const byCode = (prices: readonly Price[], code: string | undefined) =>
  code === undefined ? undefined : prices.find((price) => price.code === code);

/** Litres to be charged: the meter from brim to brim, otherwise the lower end of what was used; the doubt is the renter's. */
export const litresCharged = (finding: Finding & { topic: 'fuel' }, list: PriceList): number => {
  if (list.fuelScheme === 'flat') return 0;
  const base = finding.meteredL ?? finding.fuel?.used?.low ?? 0;
  // Under "return full or pay the top-up" what the renter put in has already gone into the tank, and into the use.
  const own = finding.meteredL === undefined ? finding.filledL : 0;
  const litres = list.fuelScheme === 'included' ? base - own - list.fuelIncludedL : base - own;
  return Math.max(0, Math.round(litres * 10) / 10);
};

type Priced = { price: Price | undefined; quantity: number };

const priced = (finding: Finding, list: PriceList): Priced | undefined => {
  switch (finding.topic) {
    case 'mark': {
      const [mark, surface] = [finding.in, finding.surface];
      return mark && surface ? { price: repairPrice(list.prices, mark.kind, surface.stuff, mark.sizeMm), quantity: 1 } : undefined;
    }
    case 'count':
      return { price: byCode(list.prices, finding.fitting.price), quantity: Math.max(1, finding.pieces) };
    case 'propeller':
      return { price: byCode(list.prices, finding.propeller.price), quantity: 1 };
    case 'fuel': {
      const quantity = litresCharged(finding, list);
      return quantity > 0 ? { price: byCode(list.prices, finding.tank.holds), quantity } : undefined;
    }
    case 'late': {
      const minutes = finding.minutes - list.lateGraceMin;
      // Begun half hours, as the list says an hour's price.
      return minutes > 0 ? { price: byCode(list.prices, 'late-hour'), quantity: Math.ceil(minutes / 30) / 2 } : undefined;
    }
    default:
      return undefined;
  }
};

/** Whether a finding is charged: fuel and time by measure, everything else only when a person said that it is the renter's. */
const isCharged = (finding: Finding): boolean => {
  if (!finding.chargeable) return false;
  if (finding.topic === 'fuel' || finding.topic === 'late') return finding.decision === undefined || finding.decision === 'renters';
  return finding.decision === 'renters';
};

/**
 * The settlement of a hire, recomputable at any time from the record and the pinned price list.
 * Tax is contained in the prices and is rounded once per rate, half away from zero. Disputed lines stay held.
 */
export const statementOf = (record: HireRecord, findings: readonly Finding[], list: PriceList, heldMinor: number): Statement => {
  const lines = findings.filter(isCharged).flatMap((finding): Line[] => {
    const what = priced(finding, list);
    if (!what) return [];
    const state = slot(record, `line/${finding.key}`, 'lineDecided')?.value.state ?? 'proposed';
    return [{ key: finding.key, finding, ...what, amountMinor: what.price && roundMinor(what.price.amountMinor * what.quantity), state }];
  });
  const sum = (states: readonly LineState[]) =>
    lines.reduce((total, line) => (states.includes(line.state) ? total + (line.amountMinor ?? 0) : total), 0);
  const totalMinor = sum(['proposed', 'accepted']);
  const disputedMinor = sum(['disputed']);
  const rates = [...new Set(lines.map((line) => line.price?.taxBp ?? 0))].sort((a, b) => a - b);
  const taxes = rates.flatMap((taxBp) => {
    const grossMinor = lines.reduce(
      (total, line) =>
        (line.price?.taxBp ?? 0) === taxBp && (line.state === 'proposed' || line.state === 'accepted')
          ? total + (line.amountMinor ?? 0)
          : total,
      0,
    );
    return grossMinor > 0 ? [{ taxBp, grossMinor, taxMinor: roundMinor((grossMinor * taxBp) / (10_000 + taxBp)) }] : [];
  });
  const capturedMinor = Math.min(heldMinor, totalMinor);
  const stillHeldMinor = Math.min(heldMinor - capturedMinor, disputedMinor);
  return {
    currency: list.currency,
    lines,
    totalMinor,
    disputedMinor,
    taxes,
    deposit: { heldMinor, capturedMinor, stillHeldMinor, releasedMinor: heldMinor - capturedMinor - stillHeldMinor },
    balanceMinor: totalMinor - capturedMinor,
    open: findings.filter(needsDecision),
    toQuote: lines.filter((line) => line.amountMinor === undefined && line.state !== 'waived'),
  };
};
