import type { Finding } from '../findings/finding';
import type { MarkKind } from '../condition/marks';
import { roundMinor } from '../money/minor';
import { LITRES } from '../number/units';
import { CODES, type Price, type PriceList } from './prices';

/** Why a line comes to what it comes to, where that is not the list's price times the quantity. */
export type Basis =
  /** A new one costs `fullMinor`; this one was so many months old. */
  | { is: 'age'; months: number; fullMinor: number }
  /** Mended rather than replaced, which would have cost `insteadMinor`. */
  | { is: 'mended'; insteadMinor: number }
  /** The renter pays no more than the excess or the waiver lets through. */
  | { is: 'capped'; capMinor: number; fullMinor: number }
  /** A manager named the amount; the list said `listedMinor`. */
  | { is: 'quoted'; listedMinor: number | undefined; why: string }
  /** Nobody can say yet what it costs: so much of the deposit is kept until somebody can. */
  | { is: 'quoteLater'; holdMinor: number }
  /** The operator's clause takes the whole deposit. */
  | { is: 'wholeDeposit' }
  /** The operator's clause gives a warning and charges nothing. */
  | { is: 'warning' }
  /** What it rests on was entered by the quay after the return had been signed. */
  | { is: 'unsigned' };

export type Settled = {
  /** What of the deposit is really held. */
  heldMinor: number;
  /** When she left and was to be back, ISO instants. */
  from: string;
  to: string;
};

/** What one finding comes to by the price list, before anybody has said anything about it. */
export type Charge = {
  key: string;
  price: Price | undefined;
  quantity: number;
  amountMinor: number | undefined;
  basis: Basis[];
};

type FuelFinding = Finding & { topic: 'fuel' };

/** The cheapest row that mends such a mark. */
const repairPrice = (prices: readonly Price[], kind: MarkKind, stuff: string, sizeMm: number): Price | undefined =>
  prices
    .filter(({ mark }) => mark && mark.kinds.includes(kind) && mark.stuff === stuff && sizeMm <= mark.upToMm)
    .sort((a, b) => a.amountMinor - b.amountMinor || (a.code < b.code ? -1 : 1))[0];

const byCode = (prices: readonly Price[], code: string | undefined): Price | undefined =>
  code === undefined ? undefined : prices.find((price) => price.code === code);

/**
 * Litres between what the scheme lets a renter burn and what they burnt, what they filled themselves taken off: the meter
 * from brim to brim, otherwise the lower end of what was used, since the doubt is the renter's. Negative where they are owed.
 */
const litresOwed = (finding: FuelFinding, list: PriceList): number => {
  // What was metered at return is what is missing, the renter's own fills taken off already.
  const missing = finding.meteredL ?? (finding.fuel?.used ? finding.fuel.used.low - finding.filledL : 0);
  const litres = missing - (list.fuelScheme === 'included' ? list.fuelIncludedL : 0);
  return Math.round(litres * 10) / 10;
};

/** Litres to be charged. */
export const litresCharged = (finding: FuelFinding, list: PriceList): number =>
  list.fuelScheme === 'flat' ? 0 : Math.max(0, litresOwed(finding, list));

/**
 * Litres that the renter paid for though the hire's price had paid for them already: all of them under a flat rate, under an
 * allowance those that it would have covered. Only what they hold a receipt for can be given back.
 */
const litresCredited = (finding: FuelFinding, list: PriceList): number => {
  // What only the renter says they paid is given back once somebody of the quay has said so.
  if (finding.onTheirWord && finding.decision !== 'credit') return 0;
  if (list.fuelScheme === 'flat') return finding.paid.litres;
  if (list.fuelScheme !== 'included') return 0;
  return Math.max(0, Math.min(finding.paid.litres, -litresOwed(finding, list)));
};

const DAY_MS = 86_400_000;
const MONTH = 30.44 * DAY_MS;

/** Months since a thing came aboard new. */
const monthsOld = (since: string, at: string): number =>
  Math.max(0, Math.floor((Date.parse(at) - Date.parse(`${since}-01T00:00:00Z`)) / MONTH));

/** A new one, less what the age of the old one takes off. */
const aged = (price: Price, since: string | undefined, at: string): { minor: number; basis: Basis[] } => {
  if (!price.ageing || since === undefined) return { minor: price.amountMinor, basis: [] };
  const months = monthsOld(since, at);
  const share = Math.max(price.ageing.leastBp / 10_000, 1 - months / (12 * price.ageing.years));
  const minor = roundMinor(price.amountMinor * share);
  return minor === price.amountMinor ? { minor, basis: [] } : { minor, basis: [{ is: 'age', months, fullMinor: price.amountMinor }] };
};

const plain = (key: string, price: Price | undefined, quantity = 1): Charge => ({
  key,
  price,
  quantity,
  amountMinor: price && roundMinor(price.amountMinor * quantity),
  basis: [],
});

/** Equipment: what is gone is replaced, at its age; what is broken or opened is mended where that comes cheaper. */
const equipment = (finding: Finding & { topic: 'count' }, list: PriceList, at: string): Charge => {
  const { key, fitting, is } = finding;
  const price = byCode(list.prices, fitting.price);
  const pieces = Math.max(1, finding.pieces);
  if (!price) return plain(key, undefined, pieces);
  const { minor, basis } = aged(price, fitting.since, at);
  const mend =
    is === 'damaged' || is === 'unsealed' || is === 'swapped'
      ? list.prices.filter(({ mends }) => mends === price.code).sort((a, b) => a.amountMinor - b.amountMinor)[0]
      : undefined;
  if (mend && mend.amountMinor < minor) return { ...plain(key, mend, pieces), basis: [{ is: 'mended', insteadMinor: minor * pieces }] };
  return { key, price, quantity: pieces, amountMinor: minor * pieces, basis };
};

/** Litres in what a price is for one of, to a hundredth: what the pump shows. */
const measured = (litres: number, price: Price | undefined): number =>
  price?.per === 'galUs' || price?.per === 'galUk' ? Math.round((litres / LITRES[price.per]) * 100) / 100 : litres;

const fuelCharges = (finding: FuelFinding, list: PriceList, { from, to }: Settled): Charge[] => {
  const charged = litresCharged(finding, list);
  const credited = litresCredited(finding, list);
  const perDay = list.fuelScheme === 'flat' ? byCode(list.prices, CODES.fuelDay) : undefined;
  const price = byCode(list.prices, finding.tank.holds);
  return [
    ...(charged > 0 ? [plain(finding.key, price, measured(charged, price))] : []),
    ...(perDay ? [plain(finding.key, perDay, Math.max(1, Math.ceil((Date.parse(to) - Date.parse(from)) / DAY_MS)))] : []),
    ...(credited > 0 && finding.paid.minor > 0
      ? [
          {
            key: `${finding.key}/credit`,
            price: undefined,
            quantity: credited,
            amountMinor: -roundMinor((finding.paid.minor * credited) / finding.paid.litres),
            basis: [],
          },
        ]
      : []),
  ];
};

const extraCharge = (finding: Finding & { topic: 'extra' }, list: PriceList, { heldMinor }: Settled): Charge => {
  if (finding.is === 'breach' && list.breach === 'warning')
    return { key: finding.key, price: undefined, quantity: 1, amountMinor: 0, basis: [{ is: 'warning' }] };
  if (finding.is === 'breach' && list.breach === 'wholeDeposit')
    return { key: finding.key, price: undefined, quantity: 1, amountMinor: heldMinor, basis: [{ is: 'wholeDeposit' }] };
  const charge = plain(finding.key, byCode(list.prices, finding.price), finding.quantity);
  return finding.amountMinor === undefined ? charge : { ...charge, amountMinor: finding.amountMinor };
};

/** Whether a finding is about damage, which an excess or a waiver limits: nothing that was used up, lost or late is. */
export const isDamage = (finding: Finding): boolean =>
  finding.topic === 'mark' || finding.topic === 'propeller' || (finding.topic === 'count' && finding.is === 'damaged');

/** Whether it is charged: what is measured, and what the quay put down, unless decided otherwise; the rest by decision. */
const isCharged = (finding: Finding): boolean => {
  if (!finding.chargeable) return false;
  const { topic, decision } = finding;
  if (topic === 'receipt') return decision === 'credit' || (decision === undefined && !finding.byRenter);
  // Litres are charged as they were measured, whatever becomes of the receipts for some of them.
  if (topic === 'fuel' && finding.onTheirWord) return decision !== 'askManager';
  const measured = topic === 'fuel' || topic === 'late' || topic === 'tank' || topic === 'extra';
  return decision === 'renters' || (measured && decision === undefined);
};

/** What a finding comes to: none, one, or with fuel two lines. */
export const chargesOf = (finding: Finding, list: PriceList, of: Settled): Charge[] => {
  if (!isCharged(finding)) return [];
  const { key } = finding;
  switch (finding.topic) {
    case 'mark': {
      const [mark, surface] = [finding.in, finding.surface];
      return mark && surface ? [plain(key, repairPrice(list.prices, mark.kind, surface.stuff, mark.sizeMm))] : [];
    }
    case 'count':
      return [equipment(finding, list, of.to)];
    case 'propeller':
      return [plain(key, byCode(list.prices, finding.propeller.price))];
    case 'check':
      return [plain(key, byCode(list.prices, finding.way?.price))];
    case 'tank': {
      const price = byCode(list.prices, CODES.pumpOut);
      return price ? [plain(key, price)] : [];
    }
    case 'fuel':
      return fuelCharges(finding, list, of);
    case 'late': {
      const minutes = finding.minutes - list.lateGraceMin;
      // Begun half hours, as the list says an hour's price.
      return minutes > 0 ? [plain(key, byCode(list.prices, CODES.late), Math.ceil(minutes / 30) / 2)] : [];
    }
    case 'extra':
      return [extraCharge(finding, list, of)];
    case 'receipt':
      return [{ key, price: undefined, quantity: 1, amountMinor: -finding.amountMinor, basis: [] }];
    default:
      return [];
  }
};
