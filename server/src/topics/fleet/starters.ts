import { ClassBook } from '@quay/core/fleet/book';
import type { Units } from '@quay/core/number/units';
import { RuleSet } from '@quay/core/party/rules';
import { isMeasure, type Price, pricedBy, PriceList } from '@quay/core/settlement/prices';
import anyBoat from '../../../../starters/classes/any-boat.json';
import cabin from '../../../../starters/classes/cabin-7.json';
import canal from '../../../../starters/classes/canal-12.json';
import cruiser from '../../../../starters/classes/cruiser-10.json';
import electric from '../../../../starters/classes/electric-5.json';
import houseboat from '../../../../starters/classes/houseboat-14.json';
import launch from '../../../../starters/classes/launch-5.json';
import liveAboard from '../../../../starters/classes/live-aboard.json';
import pontoon from '../../../../starters/classes/pontoon-7.json';
import rib from '../../../../starters/classes/rib-6.json';
import pricesFile from '../../../../starters/prices.json';
import byAge from '../../../../starters/rules/by-age-under-way.json';
import children from '../../../../starters/rules/children-and-weak-swimmers.json';
import everyone from '../../../../starters/rules/everyone-under-way.json';

const FILES: readonly unknown[] = [anyBoat, liveAboard, pontoon, launch, rib, cabin, electric, houseboat, canal, cruiser];

let books: ReadonlyMap<string, ClassBook> | undefined;

/** Class books that come with the program, by id: any operator may begin from them, and an import may build on them. */
export const starterClasses = (): ReadonlyMap<string, ClassBook> => {
  books ??= new Map(FILES.map((file) => ClassBook.parse(file)).map((book) => [book.id, book]));
  return books;
};

/** Sets of rules that come with the program, by id. */
export const starterRules = (): ReadonlyMap<string, RuleSet> =>
  new Map([children, everyone, byAge].map((file) => RuleSet.parse(file)).map((rules) => [rules.id, rules]));

/**
 * A price list to begin with: what the starters’ books name, each without a sum yet.
 * @param taxBp usual tax, hundredths of a per cent @param volume what fuel is sold by
 */
export const starterPrices = (taxBp: number, volume: Units['volume'] = 'L'): Price[] =>
  PriceList.shape.prices
    .parse(pricesFile.prices.map(({ taxed, ...price }) => ({ ...price, amountMinor: 0, taxBp: taxed ? taxBp : 0 })))
    .map((price) => (isMeasure(price.per) ? { ...price, per: pricedBy(volume) } : price));
