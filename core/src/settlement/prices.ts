import * as z from 'zod/mini';
import { MARK_KINDS } from '../condition/marks';
import type { Units } from '../number/units';
import { POLICIES } from '../policy/policy';
import { BookId, Wording } from '../words/words';

export const FUEL_SCHEMES = ['topUp', 'used', 'included', 'flat'] as const;

/** What a price is for one of: things, fuel and water by their measure, time, jobs. */
export const PER = ['each', 'litre', 'galUs', 'galUk', 'hour', 'job', 'day'] as const;

/** Of these, what measures fuel and water. */
export const MEASURES = ['litre', 'galUs', 'galUk'] as const;
export type Measure = (typeof MEASURES)[number];
export const isMeasure = (per: (typeof PER)[number]): per is Measure => (MEASURES as readonly string[]).includes(per);
/** What fuel is priced by where an operator speaks in this unit. */
export const pricedBy = (volume: Units['volume']): Measure => (volume === 'L' ? 'litre' : volume);

/** What a thing's age takes off the price of a new one: evenly over so many years, down to a share that stays. */
const Ageing = z.object({
  years: z.number().check(z.gt(0), z.lte(100)),
  /** Hundredths of a per cent: 2000 is a fifth. */
  leastBp: z.int().check(z.gte(0), z.lte(10_000)),
});

/** One row of the price list. Amounts include tax. */
export const Price = z.object({
  code: BookId,
  name: Wording,
  per: z.enum(PER),
  amountMinor: z.int().check(z.gte(0)),
  /** Hundredths of a per cent: 2000 is 20 %. */
  taxBp: z.int().check(z.gte(0), z.lte(10_000)),
  /** For repairs: which marks on which stuff, up to which size. */
  mark: z.optional(z.object({ kinds: z.array(z.enum(MARK_KINDS)), stuff: z.string(), upToMm: z.number() })),
  /** The row whose thing this one mends: whichever comes cheaper is charged. */
  mends: z.optional(BookId),
  ageing: z.optional(Ageing),
});
export type Price = z.infer<typeof Price>;

const minor = z.int().check(z.gte(0), z.lte(100_000_000));
/** How damage is charged: as listed; quoted later while a part is held; or never beyond an excess. */
export const DamagePolicy = z.discriminatedUnion('policy', [
  z.object({ policy: z.literal('list') }),
  z.object({ policy: z.literal('quoteLater'), holdMinor: minor }),
  z.object({ policy: z.literal('cap'), capMinor: minor }),
]);

/** Rows that the statement looks for by name; a list without one charges nothing for it. */
export const CODES = { late: 'late-hour', pumpOut: 'pump-out', fuelDay: 'fuel-day' } as const;

export const PriceList = z.object({
  version: z.int().check(z.gte(1)),
  currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
  fuelScheme: z.enum(FUEL_SCHEMES),
  fuelIncludedL: z.number().check(z.gte(0)),
  lateGraceMin: z.int().check(z.gte(0)),
  // Lists of hires from before these were thought of are read for ever.
  damage: z._default(DamagePolicy, { policy: 'list' }),
  /** What is asked for as a deposit of a boat that nobody hired yet; afterwards what was asked for last. */
  depositMinor: z.optional(minor),
  /** What damage comes to at most for a renter who bought the waiver; none where it is not offered. */
  waiver: z.optional(z.object({ capMinor: minor })),
  breach: z._default(z.enum(POLICIES.breach), 'priced'),
  prices: z.array(Price),
});
export type PriceList = z.infer<typeof PriceList>;
