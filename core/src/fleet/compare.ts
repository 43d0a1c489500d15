import equal from 'fast-deep-equal';
import { type Book, type ListName, LISTS } from './book';
import type { Wording } from './words';

export type Difference = { list: ListName; id: string; then: string | undefined; now: string | undefined };
type AnyRow = { id: string } & Record<string, unknown>;

/** A row in a line: its words, then what else differs, as it stands in the file. */
const spoken = (row: AnyRow | undefined, differing: readonly string[]): string | undefined => {
  if (!row) return undefined;
  const words = ((row.say ?? row.name) as Wording | undefined)?.en ?? row.id;
  const rest = differing
    .filter((field) => field !== 'say' && field !== 'name')
    .map((field) => `${field}: ${JSON.stringify(row[field]) ?? '–'}`);
  return [words, ...rest].join(' · ');
};

/** What two versions of a book say differently, list by list; rows that only moved are told by the list's new order. */
export const differences = (then: Book, now: Book): Difference[] =>
  LISTS.flatMap((list) => {
    const [before, after] = [then, now].map((book) => new Map((book[list] as AnyRow[]).map((row) => [row.id, row]))) as [
      Map<string, AnyRow>,
      Map<string, AnyRow>,
    ];
    return [...new Set([...before.keys(), ...after.keys()])].flatMap((id): Difference[] => {
      const [a, b] = [before.get(id), after.get(id)];
      const fields = [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])].filter((field) => !equal(a?.[field], b?.[field]));
      return fields.length === 0 ? [] : [{ list, id, then: spoken(a, a && b ? fields : []), now: spoken(b, a && b ? fields : []) }];
    });
  });

/** Lists whose common rows stand in another order. */
export const reordered = (then: Book, now: Book): ListName[] =>
  LISTS.filter((list) => {
    const [before, after] = [then[list].map(({ id }) => id), now[list].map(({ id }) => id)];
    const common = new Set(before.filter((id) => after.includes(id)));
    return !equal(
      before.filter((id) => common.has(id)),
      after.filter((id) => common.has(id)),
    );
  });
