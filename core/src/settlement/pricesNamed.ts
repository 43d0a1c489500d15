import type { Book } from '../fleet/book';
import { fuelTanks } from '../fuel/readings';

/** Codes of every price that a book names: of its equipment, of what is told with its cost, of lessons, propellers and checks; and of the fuel it burns. */
export const pricesNamed = (book: Book): Set<string> =>
  new Set(
    [
      ...book.fittings.map(({ price }) => price),
      ...book.points.map(({ price }) => price),
      ...book.propellers.map(({ price }) => price),
      ...book.drills.flatMap(({ lessons }) => lessons.map(({ price }) => price)),
      ...book.checks.flatMap(({ ways }) => ways.map(({ price }) => price)),
      ...fuelTanks(book).map(({ holds }) => holds),
    ].filter((code) => code !== undefined),
  );
