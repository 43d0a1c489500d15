import type { Book } from '../fleet/book';
import type { FixCard, Point } from '../fleet/points';
import type { Wording } from '../words/words';
import { wordsIn } from './guide';

/** What boats may have and not every boat has, by the words that people look for it with, in all languages the guide speaks. */
const SYSTEMS: readonly (readonly string[])[] = [
  ['toilet', 'toilets', 'loo', 'toilette', 'toilettes', 'klo', 'wc', 'inodoro', 'retrete', 'aseo'],
  ['shower', 'douche', 'dusche', 'ducha'],
  ['fridge', 'refrigerator', 'frigo', 'refrigerateur', 'kuhlschrank', 'nevera', 'frigorifico'],
  ['heater', 'heating', 'chauffage', 'heizung', 'calefaccion'],
  ['gas', 'hob', 'oven', 'cooker', 'gaz', 'four', 'herd', 'gasherd', 'cocina', 'horno'],
  ['windlass', 'guindeau', 'ankerwinde', 'molinete'],
  ['thruster', 'propulseur', 'bugstrahlruder'],
  ['generator', 'generateur', 'groupe', 'generador'],
  ['inverter', 'onduleur', 'wechselrichter', 'inversor'],
  ['starter', 'demarreur', 'anlasser', 'arranque'],
  ['coolant', 'refroidissement', 'kuhlwasser', 'kuhlmittel', 'refrigerante'],
  ['radio', 'vhf', 'funk', 'funkgerat'],
  ['plotter', 'sounder', 'sondeur', 'echolot', 'sonda'],
  ['slide', 'toboggan', 'rutsche', 'tobogan'],
  ['grill', 'barbecue', 'parrilla'],
  ['canopy', 'bimini', 'taud', 'verdeck', 'toldo'],
  ['anchor', 'ancre', 'anker', 'ancla'],
  ['lock', 'locks', 'ecluse', 'schleuse', 'esclusa'],
];

/** Whether a text speaks of a thing: the word itself, or one that begins or ends with a longer one of its words (“Bordtoilette”). */
const speaksOf = (word: string, thing: string): boolean =>
  word === thing || (thing.length > 3 && (word.startsWith(thing) || word.endsWith(thing)));

/** A boat as her guide shows her: her book, and of it the cards and points that are for her. */
type Shown = {
  book: Pick<Book, 'fittings' | 'gauges' | 'tanks' | 'outlets' | 'checks' | 'drills'>;
  cards: readonly FixCard[];
  points: readonly Point[];
};

/**
 * What was looked for and is not on this boat.
 * @returns the word as it was typed, folded to lower case without accents; undefined where she has it, or where it is nothing that boats have
 */
export const notAboard = (query: string, { book, cards, points }: Shown): string | undefined => {
  const wanted = wordsIn(query);
  let has: Set<string> | undefined;
  const words = () => {
    const named: { name: Wording }[] = [
      ...book.fittings,
      ...book.gauges,
      ...book.tanks,
      ...book.outlets,
      ...book.checks,
      ...book.drills,
      ...cards,
    ];
    const texts = [...named.map(({ name }) => name), ...points.map(({ say }) => say)].flatMap((wording) => Object.values(wording));
    return new Set(texts.flatMap(wordsIn));
  };
  return wanted.find((word) => {
    const system = SYSTEMS.find((things) => things.some((thing) => speaksOf(word, thing)));
    if (!system) return false;
    has ??= words();
    return ![...has].some((one) => system.some((thing) => speaksOf(one, thing)));
  });
};
