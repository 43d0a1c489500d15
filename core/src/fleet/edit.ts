import equal from 'fast-deep-equal';
import type { BoatBook, ClassBook, ListName } from './book';
import type { Single } from './merge';

/**
 * Edits of one layer of a book, each giving a new layer; what lies below is never touched. Only what differs from below
 * is kept, so that a class that is put right later is right in every boat that said nothing else.
 */

type Layer = ClassBook | BoatBook;
type Row = NonNullable<Layer[ListName]>[number];
/** Fields of a row as they are wanted; `undefined`: none. */
export type RowEdit = Readonly<Record<string, unknown>>;

const withRow = <B extends Layer>(book: B, list: ListName, id: string, row: Row | undefined): B => {
  const rows = book[list] ?? [];
  const at = rows.findIndex((one) => one.id === id);
  if (!row) return at < 0 ? book : { ...book, [list]: rows.filter((one) => one.id !== id) };
  return { ...book, [list]: at < 0 ? [...rows, row] : rows.map((one) => (one.id === id ? row : one)) };
};

/**
 * Sets what differs from the resolved row as it is now; what is the same is left to what lies below. A field that is emptied
 * is taken out of this layer's row, or said to be none where a layer below has it.
 * @param now the resolved row @param inherited whether a layer below has this row
 */
export const changeRow = <B extends Layer>(book: B, list: ListName, now: { id: string }, edit: RowEdit, inherited: boolean): B => {
  const { absent: _, ...own } = book[list]?.find(({ id }) => id === now.id) ?? { id: now.id };
  const resolved = now as Readonly<Record<string, unknown>>;
  const changed = Object.entries(edit).filter(([field, value]) => !equal(value, resolved[field]));
  if (changed.length === 0) return book;
  const next: Record<string, unknown> = { ...own };
  for (const [field, value] of changed) {
    if (value !== undefined) next[field] = value;
    else if (inherited) next[field] = null;
    else delete next[field];
  }
  return withRow(book, list, now.id, { ...next, id: now.id });
};

/** Takes a row away: from this layer on, or, when it is this layer's own, altogether. */
export const dropRow = <B extends Layer>(book: B, list: ListName, id: string, inherited: boolean): B =>
  withRow(book, list, id, inherited ? { id, absent: true } : undefined);

/** Takes back whatever this layer says about a row. */
export const inheritRow = <B extends Layer>(book: B, list: ListName, id: string): B => withRow(book, list, id, undefined);

/** Adds a row of this layer's own. */
export const addRow = <B extends Layer>(book: B, list: ListName, id: string, fields: RowEdit): B =>
  withRow(book, list, id, { ...Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)), id });

/**
 * Sets what a layer says once. What is the same as below is left to what lies below; nothing where something lies below
 * is said to be none.
 * @param below the field in the layers below
 */
export const setSingle = <B extends Layer>(book: B, field: Single, value: unknown, below: unknown): B => {
  const { [field]: _, ...rest } = book as Layer & Partial<Record<Single, unknown>>;
  return (equal(value, below) ? rest : { ...rest, [field]: value === undefined ? null : value }) as B;
};

/** Sets or takes back a named condition; one that lies below, too, is then the one from below. */
export const setCondition = <B extends Layer>(book: B, id: string, condition: unknown): B => {
  const { [id]: _, ...others } = book.conditions ?? {};
  const conditions = condition === undefined ? others : { ...others, [id]: condition };
  const { conditions: __, ...rest } = book;
  return (Object.keys(conditions).length > 0 ? { ...rest, conditions } : rest) as B;
};

/** An id made of words, and never one that is taken: ids stand in old records for ever. */
export const idOf = (words: string, taken: readonly string[]): string => {
  const stem =
    words
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 36)
      .replace(/-+$/, '') || 'row';
  let id = stem;
  for (let n = 2; taken.includes(id); n += 1) id = `${stem}-${n}`;
  return id;
};

/** Positions of the longest run that rises: what need not be moved for the others to find their place. */
const rising = (values: readonly number[]): Set<number> => {
  const length: number[] = [];
  const before: number[] = [];
  for (const [i, value] of values.entries()) {
    length[i] = 1;
    before[i] = -1;
    for (let j = 0; j < i; j += 1)
      if (values[j]! < value && length[j]! + 1 > length[i]) {
        length[i] = length[j]! + 1;
        before[i] = j;
      }
  }
  const kept = new Set<number>();
  for (let i = length.indexOf(Math.max(0, ...length)); i >= 0; i = before[i]!) kept.add(i);
  return kept;
};

/**
 * Puts the rows of a list into an order, moving as few of them as can be.
 * @param below ids of the list in the layers below, in their order
 * @param wanted every id of the resolved list, in the order that is wanted
 */
export const orderRows = <B extends Layer>(book: B, list: ListName, below: readonly string[], wanted: readonly string[]): B => {
  const own = new Map((book[list] ?? []).map(({ after: _, ...row }) => [row.id, row as Row]));
  // As it would be if this layer moved nothing: what is below, then what it brings.
  const unmoved = [...below.filter((id) => wanted.includes(id)), ...wanted.filter((id) => !below.includes(id))];
  const kept = rising(unmoved.map((id) => wanted.indexOf(id)));
  const stays = new Set(unmoved.filter((_, i) => kept.has(i)));
  const rows = wanted.flatMap((id, i): Row[] => {
    const row = own.get(id);
    if (!stays.has(id)) return [{ ...row, id, after: wanted[i - 1] ?? null }];
    // A row that moved once and says nothing else has nothing left to say.
    return row && (Object.keys(row).length > 1 || !below.includes(id)) ? [row] : [];
  });
  // Rows that are taken away say so before anything else moves.
  const gone = [...own.values()].filter(({ id }) => !wanted.includes(id));
  return { ...book, [list]: [...gone, ...rows] };
};
