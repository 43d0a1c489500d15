import type { BoatBook, ClassBook, ListName } from '@quay/core/fleet/book';
import { addRow, changeRow, dropRow, inheritRow, orderRows } from '@quay/core/fleet/edit';
import type { Edits } from './BookEditor';
import type { RowOrigin } from './RowSheet';

type Origins = Readonly<Record<string, Readonly<Record<string, { book: string; is: 'brought' | 'changed' }>>>>;

/** Whether a row comes from below, is changed in this layer, or is its own. */
export const originIn =
  (origins: Origins, own: string, classNames: Readonly<Record<string, string>>) =>
  (list: string, id: string): RowOrigin => {
    const origin = origins[list]?.[id];
    if (origin && origin.book !== own) return { is: 'class', name: classNames[origin.book] ?? origin.book };
    return { is: origin?.is === 'changed' ? 'changed' : 'own', name: '' };
  };

/** The edits of one layer of a book, each of which puts the whole layer in place. */
export const editsOf = <B extends BoatBook | ClassBook>(
  book: B,
  below: Readonly<Record<string, readonly string[]>>,
  put: (next: B) => void,
): Edits => {
  const inherited = (list: string, id: string) => below[list]?.includes(id) === true;
  return {
    change: (list, row, edit) => {
      const next = changeRow(book, list as ListName, row, edit, inherited(list, row.id));
      if (next !== book) put(next);
    },
    drop: (list, id) => put(dropRow(book, list as ListName, id, inherited(list, id))),
    inherit: (list, id) => put(inheritRow(book, list as ListName, id)),
    add: (list, id, fields) => put(addRow(book, list as ListName, id, fields)),
    order: (list, ids) => put(orderRows(book, list as ListName, below[list] ?? [], ids)),
  };
};
