import type { BoatShelf } from '@quay/contract/fleet';
import { type Book, LISTS } from '@quay/core/fleet/book';
import type { RowEdit } from '@quay/core/fleet/edit';
import { type Lack, lacksOf, rowAt } from '@quay/core/fleet/lacks/lacks';
import { useMemo } from 'react';
import type { AnyRow } from '../BookRow';

export type Lacking = {
  /** What the book lacks as it is kept. */
  now: readonly Lack[];
  /** What a row would lack as it is typed. @param id of the row; of one that is added, any that no row has */
  ofRow: (list: string, id: string, edit: RowEdit) => readonly Lack[];
};

/** The book as it would be with a row of it so. */
const withRow = (book: Book, list: string, id: string, edit: RowEdit): Book => {
  const name = LISTS.find((one) => one === list);
  if (name === undefined) return book;
  const rows: readonly AnyRow[] = book[name];
  const next = rows.some((row) => row.id === id)
    ? rows.map((row) => (row.id === id ? { ...row, ...edit } : row))
    : [...rows, { ...edit, id }];
  return { ...book, [name]: next };
};

/** What a boat's book lacks, as it is kept and as it is being typed. */
export const useLacks = (book: Book | undefined, known: BoatShelf['known'] | undefined): Lacking | undefined =>
  useMemo(() => {
    if (!book || !known) return undefined;
    const against = { prices: new Set(known.prices), languages: known.languages };
    return {
      now: lacksOf(book, against),
      ofRow: (list, id, edit) =>
        lacksOf(withRow(book, list, id, edit), against).filter(({ path }) => {
          const at = rowAt(path);
          return at.list === list && at.id === id;
        }),
    };
  }, [book, known]);
