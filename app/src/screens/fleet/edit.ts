import type { BoatBook } from '@quay/core/fleet/book';
import type { Point } from '@quay/core/fleet/telling';
import type { Wording } from '@quay/core/fleet/words';

/** Changes to a boat's own book, each giving a new one; what lies below in her classes is never touched. */

type Row = NonNullable<BoatBook['points']>[number];

export type PointEdit = {
  weight: Point['weight'];
  seconds: number;
  say: Wording;
  show: Wording | undefined;
  mistake: Wording | undefined;
  caution: Wording | undefined;
};

const FIELDS = ['weight', 'seconds', 'say', 'show', 'mistake', 'caution'] as const;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const withRow = (book: BoatBook, id: string, row: Row | undefined): BoatBook => {
  const rows = book.points ?? [];
  const others = rows.filter((one) => one.id !== id);
  const at = rows.findIndex((one) => one.id === id);
  if (!row) return { ...book, points: others };
  return { ...book, points: at < 0 ? [...rows, row] : rows.map((one) => (one.id === id ? row : one)) };
};

/**
 * Sets what differs from the point as it is laid now; what is the same is left to the classes. A text that was emptied
 * is taken out of this boat's row; what lies below in her classes cannot be emptied from here and shows again.
 */
export const changePoint = (book: BoatBook, now: Point, edit: PointEdit): BoatBook => {
  const { absent: _, ...row } = book.points?.find(({ id }) => id === now.id) ?? { id: now.id };
  const emptied = FIELDS.filter((field) => edit[field] === undefined && field in row);
  const changed = FIELDS.filter((field) => edit[field] !== undefined && !same(edit[field], now[field]));
  if (emptied.length + changed.length === 0) return book;
  const kept = Object.entries(row).filter(([field]) => !emptied.some((one) => one === field));
  const next = { ...Object.fromEntries(kept), ...Object.fromEntries(changed.map((field) => [field, edit[field]])), id: now.id };
  return withRow(book, now.id, Object.keys(next).length > 1 ? next : undefined);
};

/** Takes a point away from this boat alone. */
export const dropPoint = (book: BoatBook, id: string, inherited: boolean): BoatBook =>
  withRow(book, id, inherited ? { id, absent: true } : undefined);

/** Takes back whatever this boat says differently about a point. */
export const inheritPoint = (book: BoatBook, id: string): BoatBook => withRow(book, id, undefined);

/** Adds a point of her own. @returns the book and the point's id, made from its words and never one that is taken */
export const addPoint = (book: BoatBook, station: string, edit: PointEdit, taken: readonly string[]): { book: BoatBook; id: string } => {
  const stem =
    edit.say.en
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 36) || 'point';
  let id = stem;
  for (let n = 2; taken.includes(id); n += 1) id = `${stem}-${n}`;
  const fields = Object.fromEntries(Object.entries(edit).filter(([, value]) => value !== undefined));
  return { book: withRow(book, id, { id, station, ...fields }), id };
};
