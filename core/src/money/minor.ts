/** Money is a whole number of minor units (cents, pence) of one ISO 4217 currency; never a fraction. */

/** How many decimals a currency's major unit has, for those that differ from two (ISO 4217). */
const EXPONENTS: Readonly<Record<string, number>> = { BHD: 3, CLP: 0, ISK: 0, JPY: 0, KRW: 0, KWD: 3, OMR: 3, TND: 3 };

/** @returns decimals of the currency's major unit: 2 for EUR, 0 for JPY */
export const exponentOf = (currency: string): number => EXPONENTS[currency] ?? 2;

/**
 * Rounds half away from zero, the rule of the statement.
 * @param amount in minor units, may be fractional @returns whole minor units
 */
export const roundMinor = (amount: number): number => {
  // The nudge undoes binary dust such as 1.005 * 100 = 100.49999…, far below any real half.
  const size = Math.round(Math.abs(amount) * (1 + Number.EPSILON * 4));
  return size === 0 ? 0 : Math.sign(amount) * size;
};

/** Reads "38", "38.5" or "38.50" as minor units. Refuses more decimals than the currency has. */
export const readMinor = (text: string, currency: string): number | undefined => {
  const match = /^(-?)(\d{1,9})(?:\.(\d+))?$/.exec(text.trim());
  if (!match) return undefined;
  const [, sign = '', whole = '', fraction = ''] = match;
  const exponent = exponentOf(currency);
  if (fraction.length > exponent) return undefined;
  const size = Number(whole + fraction.padEnd(exponent, '0'));
  return sign && size > 0 ? -size : size;
};

/** The plain figure that {@link readMinor} reads back: `38.00`, and `38` in yen. */
export const writeMinor = (minor: number, currency: string): string => {
  const exponent = exponentOf(currency);
  const digits = String(Math.abs(minor)).padStart(exponent + 1, '0');
  const [whole, fraction] = [digits.slice(0, digits.length - exponent), digits.slice(digits.length - exponent)];
  return `${minor < 0 ? '-' : ''}${whole}${exponent > 0 ? `.${fraction}` : ''}`;
};

const formatOf = (currency: string, locale: string): Intl.NumberFormat => {
  const exponent = exponentOf(currency);
  return new Intl.NumberFormat(locale, {
    style: 'currency',
    currency,
    minimumFractionDigits: exponent,
    maximumFractionDigits: exponent,
  });
};

/** Shows minor units in the reader's language, for example `38.00 €`. */
export const showMinor = (minor: number, currency: string, locale: string): string =>
  formatOf(currency, locale).format(minor / 10 ** exponentOf(currency));

/** The same in pieces, so that the currency's sign can be set apart from the figures. */
export const moneyParts = (minor: number, currency: string, locale: string): { text: string; sign: boolean }[] =>
  formatOf(currency, locale)
    .formatToParts(minor / 10 ** exponentOf(currency))
    .reduce<{ text: string; sign: boolean }[]>((parts, { type, value }) => {
      const sign = type === 'currency';
      const last = parts[parts.length - 1];
      if (last && last.sign === sign) last.text += value;
      else parts.push({ text: value, sign });
      return parts;
    }, []);
