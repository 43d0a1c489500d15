import equal from 'fast-deep-equal';
import type { Base } from '../fleet/base';
import type { Book } from '../fleet/book';
import type { Wording } from '../words/words';
import { MOST_ALIKE } from './events';

type Row = { id: string };

/** Ids of rows that both have, word for word. */
const alike = (then: readonly Row[], now: readonly Row[]): string[] => {
  const before = new Map(then.map((row) => [row.id, row]));
  return now.filter((row) => before.has(row.id) && equal(before.get(row.id), row)).map(({ id }) => id);
};

/**
 * What is the same on two boats, so that what was entered of it need not be entered again: points that say the same, drills
 * that teach the same, jackets of the same kind, aboard or in the store of one base.
 * @returns `point/…`, `drill/…`, `aboard/…`, `store/…`, as definitions of events name it
 */
export const sameOnBoth = (then: { book: Book; base: Base }, now: { book: Book; base: Base }): string[] => {
  const jackets = (book: Book) => book.fittings.filter(({ jacket }) => jacket !== undefined);
  return [
    ...alike(then.book.points, now.book.points).map((id) => `point/${id}`),
    ...alike(then.book.drills, now.book.drills).map((id) => `drill/${id}`),
    ...alike(jackets(then.book), jackets(now.book)).map((id) => `aboard/${id}`),
    ...(then.base.id === now.base.id ? now.base.store.map(({ id }) => `store/${id}`) : []),
  ].slice(0, MOST_ALIKE);
};

/** What whoever takes another boat has to know first: of what kind she is, whom she takes, what is aboard, what must be told and shown. */
export type SwapDifference = {
  kind: { then: Book['kind']; now: Book['kind'] } | undefined;
  people: { then: number; now: number } | undefined;
  loadKg: { then: number | undefined; now: number | undefined } | undefined;
  /** Things kept on her and not on the first one, or more of them; and the other way round. */
  more: { name: Wording; count: number }[];
  fewer: { name: Wording; count: number }[];
  /** Points that are said otherwise on her, or only there. */
  points: Wording[];
  drills: Wording[];
};

const counts = (book: Book) => new Map(book.fittings.map(({ id, name, count }) => [id, { name, count }]));
/** What one has more of than the other. */
const beyond = (of: Book, than: Book) => {
  const other = counts(than);
  return [...counts(of)].flatMap(([id, { name, count }]) => {
    const more = count - (other.get(id)?.count ?? 0);
    return more > 0 ? [{ name, count: more }] : [];
  });
};
const unlike = <T>(then: T, now: T): { then: T; now: T } | undefined => (equal(then, now) ? undefined : { then, now });

export const differenceOf = (then: Book, now: Book): SwapDifference => {
  const otherwise = <R extends Row>(before: readonly R[], after: readonly R[]) => {
    const same = new Set(alike(before, after));
    return after.filter(({ id }) => !same.has(id));
  };
  return {
    kind: unlike(then.kind, now.kind),
    people: unlike(then.plate.people, now.plate.people),
    loadKg: unlike(then.plate.loadKg, now.plate.loadKg),
    more: beyond(now, then),
    fewer: beyond(then, now),
    points: otherwise(then.points, now.points).map(({ say }) => say),
    drills: otherwise(then.drills, now.drills).map(({ name }) => name),
  };
};
