import type { RowEdit } from '@quay/core/fleet/edit';
import type { About } from './about';
import type { Edits } from './BookEditor';
import type { AnyRow } from './BookRow';

const plain = (fields: RowEdit) => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

/** The edits of a book that has nothing below it: rows are changed as they stand. @param abouts what it says once */
export const plainEdits = <B extends object>(book: B, abouts: readonly About<B>[], put: (next: B) => void): Edits => {
  const rowsOf = (list: string) => (book as Readonly<Record<string, readonly AnyRow[]>>)[list] ?? [];
  const set = (list: string, rows: readonly AnyRow[]) => put({ ...book, [list]: rows });
  return {
    change: (list, row, edit) => {
      const about = list === 'about' ? abouts.find(({ id }) => id === row.id) : undefined;
      if (about) put(about.write(book, edit));
      else
        set(
          list,
          rowsOf(list).map((one) => (one.id === row.id ? { ...plain(edit), id: row.id } : one)),
        );
    },
    changeSeveral: (list, edits) => {
      const by = new Map(edits.map(([{ id }, edit]) => [id, plain(edit)]));
      set(
        list,
        rowsOf(list).map((one) => ({ ...one, ...by.get(one.id) })),
      );
    },
    drop: (list, id) =>
      set(
        list,
        rowsOf(list).filter((one) => one.id !== id),
      ),
    inherit: () => undefined,
    add: (list, id, fields) => set(list, [...rowsOf(list), { ...plain(fields), id }]),
    order: (list, ids) =>
      set(
        list,
        ids.map((id) => rowsOf(list).find((one) => one.id === id)!),
      ),
  };
};
