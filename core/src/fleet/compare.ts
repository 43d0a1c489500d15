import equal from 'fast-deep-equal';
import { BASE_LISTS, type Base } from './base';
import { type Book, type ClassBook, LISTS } from './book';
import { type Lists, type Singles, SINGLES } from './merge';
import type { Wording } from '../words/words';

type AnyRow = { id: string } & Record<string, unknown>;
/** A book as it is compared: its lists, and what it says once, by field. */
export type Comparable = { lists: Record<string, AnyRow[]>; about: Record<string, unknown> };
export type Difference = { list: string; id: string; then: string | undefined; now: string | undefined };

const picked = (from: object, fields: readonly string[]) =>
  Object.fromEntries(fields.map((field) => [field, (from as Record<string, unknown>)[field]]));

export const comparableBook = (book: Book): Comparable => ({
  lists: picked(book, LISTS) as Comparable['lists'],
  about: picked(book, [...SINGLES, 'conditions']),
});
export const comparableClass = (own: Pick<ClassBook, 'name'>, lists: Lists, singles: Singles): Comparable => ({
  lists: lists as Comparable['lists'],
  about: { ...singles, name: own.name },
});
export const comparableBase = (base: Base): Comparable => {
  const about = Object.fromEntries(Object.entries(base).filter(([field]) => !(BASE_LISTS as readonly string[]).includes(field)));
  return { lists: picked(base, BASE_LISTS) as Comparable['lists'], about };
};

/** A row in a line: its words, then what else differs, as it stands in the file. */
const spoken = (row: AnyRow | undefined, differing: readonly string[]): string | undefined => {
  if (!row) return undefined;
  const words = ((row.say ?? row.name) as Wording | undefined)?.en ?? row.id;
  const rest = differing
    .filter((field) => field !== 'say' && field !== 'name')
    .map((field) => `${field}: ${JSON.stringify(row[field]) ?? '–'}`);
  return [words, ...rest].join(' · ');
};

const plainly = (value: unknown): string | undefined =>
  value === undefined ? undefined : typeof value === 'string' ? value : JSON.stringify(value);

const rowDifferences = (list: string, then: readonly AnyRow[], now: readonly AnyRow[]): Difference[] => {
  const [before, after] = [new Map(then.map((row) => [row.id, row])), new Map(now.map((row) => [row.id, row]))];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((id): Difference[] => {
    const [a, b] = [before.get(id), after.get(id)];
    const fields = [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])].filter((field) => !equal(a?.[field], b?.[field]));
    return fields.length === 0 ? [] : [{ list, id, then: spoken(a, a && b ? fields : []), now: spoken(b, a && b ? fields : []) }];
  });
};

const listsOf = (then: Comparable, now: Comparable) => [...new Set([...Object.keys(then.lists), ...Object.keys(now.lists)])];

/**
 * What two versions of a book say differently: what it says once (list `about`, by field), then list by list. Rows that
 * only moved are told by the list's new order.
 */
export const differences = (then: Comparable, now: Comparable): Difference[] => [
  ...[...new Set([...Object.keys(then.about), ...Object.keys(now.about)])]
    .filter((field) => !equal(then.about[field], now.about[field]))
    .map((field) => ({ list: 'about', id: field, then: plainly(then.about[field]), now: plainly(now.about[field]) })),
  ...listsOf(then, now).flatMap((list) => rowDifferences(list, then.lists[list] ?? [], now.lists[list] ?? [])),
];

/** Lists whose common rows stand in another order. */
export const reordered = (then: Comparable, now: Comparable): string[] =>
  listsOf(then, now).filter((list) => {
    const [before, after] = [then, now].map(({ lists }) => (lists[list] ?? []).map(({ id }) => id)) as [string[], string[]];
    const common = new Set(before.filter((id) => after.includes(id)));
    return !equal(
      before.filter((id) => common.has(id)),
      after.filter((id) => common.has(id)),
    );
  });
