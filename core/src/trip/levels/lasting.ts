import type { Book } from '../../fleet/book';
import type { Tank } from '../../fleet/rows';

/** How long what is in a boat's tanks lasts a party, and what ends first. Litres, hours; ranges are from the least to the most that is likely. */
export type Range = { low: number; high: number };
/** With what is as likely more as less between them. */
export type Likely = Range & { likely: number };

/** Litres in an hour of the hire. A tank of waste fills, every other empties. */
export type Pull = { litresPerHour: Range };

const HOURS_A_DAY = 24;
/** Where a book says nothing, litres for each person and day. */
const USUAL_PER_PERSON: Partial<Record<Tank['holds'], readonly [number, number]>> = { fresh: [15, 50], waste: [6, 16] };
/** Where a book says nothing, litres for the boat and day. */
const USUAL_PER_BOAT: Partial<Record<Tank['holds'], readonly [number, number]>> = { gas: [0.4, 1.5] };

const range = ([low, high]: readonly [number, number], by: number): Range => ({ low: low * by, high: high * by });
const plus = (a: Range, b: Range): Range => ({ low: a.low + b.low, high: a.high + b.high });

/**
 * What a party draws from a tank, or puts into it, in an hour: what its outlets give each person a day, and what the boat
 * takes by herself. @returns nothing where nobody knows, and for tanks of the engine and tanks that feed nothing
 */
export const pullOf = (tank: Tank, outlets: Book['outlets'], people: number): Pull | undefined => {
  if (tank.feeds === 'nothing' || ((tank.holds === 'petrol' || tank.holds === 'diesel') && tank.feeds !== 'generator')) return undefined;
  const through = outlets.filter(({ from, into }) => (tank.holds === 'waste' ? into === tank.id : from === tank.id));
  const said = through.flatMap(({ litresPerPersonDay }) => (litresPerPersonDay ? [range(litresPerPersonDay, people)] : []));
  const byPeople =
    said.length > 0
      ? said.reduce(plus)
      : // Outlets without figures draw what people usually use; a tank without an outlet is drawn from all the same.
        USUAL_PER_PERSON[tank.holds] && range(USUAL_PER_PERSON[tank.holds]!, people);
  const byBoat = tank.litresADay ? range(tank.litresADay, 1) : USUAL_PER_BOAT[tank.holds] && range(USUAL_PER_BOAT[tank.holds]!, 1);
  if (!byPeople && !byBoat) return undefined;
  const day = plus(byPeople ?? { low: 0, high: 0 }, byBoat ?? { low: 0, high: 0 });
  return day.high > 0 ? { litresPerHour: range([day.low, day.high], 1 / HOURS_A_DAY) } : undefined;
};

export type Lasting = {
  tank: Tank;
  /** In it now. */
  inIt: Likely;
  /** That can still be drawn, or still put in. */
  left: Range;
  pull: Range;
  /** So long it lasts at the least, as likely more as less, and at the most, h; infinite where nothing is drawn. */
  hours: Likely;
  /** Whether it does for the time it is wanted for: surely, perhaps, or more likely not. */
  lasts: 'yes' | 'perhaps' | 'no';
};

/** @param wantedH hours it has to last: of the hire, or until it can be filled or emptied on the way */
export const lastingOf = (tank: Tank, inIt: Likely, pull: Pull, wantedH: number): Lasting => {
  const usable = (inTank: number) => Math.max(0, tank.holds === 'waste' ? tank.capacityL - inTank : inTank - (tank.unusableL ?? 0));
  const [a, b] = [usable(inIt.low), usable(inIt.high)];
  const left = { low: Math.min(a, b), high: Math.max(a, b) };
  const { litresPerHour } = pull;
  const at = (litres: number, perHour: number) => (perHour > 0 ? litres / perHour : Infinity);
  const hours = {
    low: at(left.low, litresPerHour.high),
    likely: at(usable(inIt.likely), (litresPerHour.low + litresPerHour.high) / 2),
    high: at(left.high, litresPerHour.low),
  };
  return { tank, inIt, left, pull: litresPerHour, hours, lasts: hours.low >= wantedH ? 'yes' : hours.likely < wantedH ? 'no' : 'perhaps' };
};
