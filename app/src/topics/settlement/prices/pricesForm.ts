import type { PriceListChange, Prices } from '@quay/contract/prices';
import { writeMinor } from '@quay/core/money/minor';
import { FUEL_SCHEMES, PER, type PriceList } from '@quay/core/settlement/prices';
import * as z from 'zod/mini';
import * as typed from '../../../ui/controls/typed';
import { sumIn } from '../SumField';

/** A price list as it is typed, and what becomes of it. */
const DAMAGES = ['list', 'quoteLater', 'cap'] as const;
export { DAMAGES, FUEL_SCHEMES };

const anySum = (currency: string) => sumIn(currency, (minor) => minor <= 100_000_000, 'prices.badSum');
export const pricesForm = (currency: string) =>
  z.object({
    fuelScheme: z.enum(FUEL_SCHEMES),
    fuelIncludedL: typed.number({ from: 0, to: 100_000 }, 'prices.badIncluded'),
    lateGraceMin: typed.number({ from: 0, to: 1440, whole: true }, 'prices.badGrace'),
    damage: z.enum(DAMAGES),
    damageSum: anySum(currency),
    depositSum: anySum(currency),
    /** Whether a waiver is offered, and what damage comes to at most with it. */
    waiver: z.boolean(),
    waiverSum: anySum(currency),
    amounts: z.record(z.string(), anySum(currency)),
    /** What each is for one of. */
    pers: z.record(z.string(), z.enum(PER)),
    /** The day from which they are to hold, as it is typed; from now on where nobody plans. */
    fromDay: z.string(),
  });
export type PricesTyped = z.input<ReturnType<typeof pricesForm>>;
export type PricesRead = z.output<ReturnType<typeof pricesForm>>;

/** A list as it is typed; what has no price yet is empty. */
export const pricesTyped = (list: PriceList): PricesTyped => {
  const { currency, damage } = list;
  const sum = damage.policy === 'quoteLater' ? damage.holdMinor : damage.policy === 'cap' ? damage.capMinor : 0;
  return {
    fuelScheme: list.fuelScheme,
    fuelIncludedL: String(list.fuelIncludedL),
    lateGraceMin: String(list.lateGraceMin),
    damage: damage.policy,
    damageSum: writeMinor(sum, currency),
    fromDay: '',
    depositSum: writeMinor(list.depositMinor ?? 0, currency),
    waiver: list.waiver !== undefined,
    waiverSum: writeMinor(list.waiver?.capMinor ?? 0, currency),
    pers: Object.fromEntries(list.prices.map(({ code, per }) => [code, per])),
    amounts: Object.fromEntries(
      list.prices.map(({ code, amountMinor }) => [code, amountMinor === 0 ? '0' : writeMinor(amountMinor, currency)]),
    ),
  };
};

/** The list that holds on a day, as it is planned now; today's without one. */
export const listOn = ({ list, planned }: Pick<Prices, 'list' | 'planned'>, day: string | undefined): PriceList =>
  (day === undefined ? undefined : planned.filter(({ from }) => from <= day).at(-1)?.list) ?? list;

/** What was typed, as the list that is sent: everything that was not asked for stays as it is. */
export const pricesChanged = (read: PricesRead, list: PriceList): PriceListChange => {
  const { fuelScheme, fuelIncludedL, lateGraceMin, damage, damageSum, depositSum, waiver, waiverSum, amounts, pers } = read;
  return {
    fuelScheme,
    fuelIncludedL,
    lateGraceMin,
    damage:
      damage === 'list'
        ? { policy: 'list' }
        : damage === 'cap'
          ? { policy: 'cap', capMinor: damageSum }
          : { policy: 'quoteLater', holdMinor: damageSum },
    ...(depositSum === 0 && list.depositMinor === undefined ? {} : { depositMinor: depositSum }),
    ...(waiver ? { waiver: { capMinor: waiverSum } } : {}),
    prices: list.prices.map((price) => ({
      ...price,
      amountMinor: amounts[price.code] ?? price.amountMinor,
      per: pers[price.code] ?? price.per,
    })),
  };
};
