import type { BookFault } from '../fleet/merge';
import type { Origins } from '../fleet/merge';
import type { Drill } from '../fleet/drills';
import { examine } from './explore';

/** Drills that were looked at already, as text, with what was found: many boats have the same drill. */
export type Known = Map<string, BookFault[]>;

/**
 * Everything that is wrong with the drills of a resolved book, each with the path that leads to it.
 * @param origins whose drill it is @param boat whose book it is where no layer says @param known keeps what was found
 */
export const drillFaults = (drills: readonly Drill[], origins: Origins['drills'], boat: string, known: Known = new Map()): BookFault[] =>
  drills.flatMap((drill) => {
    const text = JSON.stringify(drill);
    const found = known.get(text);
    if (found) return found;
    const book = origins.get(drill.id)?.book ?? boat;
    const faults = examine(drill).faults.map(({ path, reason }) => ({ book, path: `drills[${drill.id}].${path}`, reason }));
    known.set(text, faults);
    return faults;
  });
