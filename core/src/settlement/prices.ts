import * as z from 'zod/mini';
import { MARK_KINDS } from '../condition/marks';
import { BookId, Wording } from '../fleet/words';

export const FUEL_SCHEMES = ['topUp', 'used', 'included', 'flat'] as const;

/** One row of the price list. Amounts include tax. */
export const Price = z.object({
  code: BookId,
  name: Wording,
  per: z.enum(['each', 'litre', 'hour', 'job']),
  amountMinor: z.int().check(z.gte(0)),
  /** Hundredths of a per cent: 2000 is 20 %. */
  taxBp: z.int().check(z.gte(0), z.lte(10_000)),
  /** For repairs: which marks on which stuff, up to which size. */
  mark: z.optional(z.object({ kinds: z.array(z.enum(MARK_KINDS)), stuff: z.string(), upToMm: z.number() })),
});
export type Price = z.infer<typeof Price>;

export const PriceList = z.object({
  version: z.int().check(z.gte(1)),
  currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
  fuelScheme: z.enum(FUEL_SCHEMES),
  fuelIncludedL: z.number().check(z.gte(0)),
  lateGraceMin: z.int().check(z.gte(0)),
  prices: z.array(Price),
});
export type PriceList = z.infer<typeof PriceList>;
