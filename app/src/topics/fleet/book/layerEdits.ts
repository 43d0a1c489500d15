import type { AnyRow } from './BookRow';
import { type BoatBook, type ClassBook, type ListName, LISTS } from '@quay/core/fleet/book';
import { addRow, changeRow, dropRow, inheritRow, orderRows, setCondition, setSingle } from '@quay/core/fleet/edit';
import type { Single } from '@quay/core/fleet/merge';
import type { About, MergedSingles } from './about';
import type { Edits, Listing } from './BookEditor';
import { CONDITION_FIELDS, FIELDS } from './fields/fields';
import type { RowOrigin } from './RowSheet';

type Origins = Readonly<Record<string, Readonly<Record<string, { book: string; is: 'brought' | 'changed' }>>>>;
type Names = Readonly<Record<string, string>>;

const conditionsIn = (singles: MergedSingles['value']) => (singles.conditions ?? {}) as Readonly<Record<string, unknown>>;

/** Who says a single field or a named condition. */
const singleOrigin = ({ value, below, from }: MergedSingles, own: string, names: Names, list: string, id: string): RowOrigin => {
  const by = from[list === 'conditions' ? `conditions.${id}` : id];
  if (list === 'about' && id === 'named') return { is: 'own', name: '' };
  if (by === undefined || (list === 'about' && value[id as Single] === undefined && by !== own)) return { is: 'none', name: '' };
  if (by !== own) return { is: 'class', name: names[by] ?? by };
  const lies = list === 'conditions' ? conditionsIn(below)[id] : below[id as Single];
  return { is: lies === undefined ? 'own' : 'changed', name: '' };
};

/** Whether a row comes from below, is changed in this layer, or is its own. */
export const originIn =
  (origins: Origins, resolved: MergedSingles, own: string, classNames: Names) =>
  (list: string, id: string): RowOrigin => {
    if (list === 'about' || list === 'conditions') return singleOrigin(resolved, own, classNames, list, id);
    const origin = origins[list]?.[id];
    if (origin && origin.book !== own) return { is: 'class', name: classNames[origin.book] ?? origin.book };
    return { is: origin?.is === 'changed' ? 'changed' : 'own', name: '' };
  };

/** What a book says once, as a list of the editor. @param nameOf what each is called */
export const aboutListing = <B>(abouts: readonly About<B>[], book: B, nameOf: (id: string) => string): Listing => ({
  list: 'about',
  fixed: true,
  fieldsOf: (row) => abouts.find(({ id }) => id === row?.id)?.fields ?? [],
  rows: abouts.map(({ id, read }) => ({ ...read(book), id, name: { en: nameOf(id) } })),
});

/** The lists of a layered book: points first, since they are what is edited most; what it says once; then all others. */
export const layerListings = <B extends BoatBook | ClassBook>(
  book: B,
  abouts: readonly About<B>[],
  resolved: MergedSingles,
  rowsOf: (list: ListName) => readonly AnyRow[],
  nameOf: (id: string) => string,
): Listing[] => {
  const one = (list: ListName): Listing => ({ list, fieldsOf: () => FIELDS[list], rows: rowsOf(list) });
  return [
    one('points'),
    aboutListing(abouts, book, nameOf),
    ...LISTS.filter((list) => list !== 'points').map(one),
    {
      list: 'conditions',
      fieldsOf: (row) => (row ? CONDITION_FIELDS.known : CONDITION_FIELDS.added),
      rows: Object.entries(conditionsIn(resolved.value)).map(([id, when]) => ({ id, name: { en: id }, when })),
    },
  ];
};

/** The edits of one layer of a book, each of which puts the whole layer in place. */
export const editsOf = <B extends BoatBook | ClassBook>(
  book: B,
  abouts: readonly About<B>[],
  resolved: MergedSingles,
  below: Readonly<Record<string, readonly string[]>>,
  put: (next: B) => void,
): Edits => {
  const inherited = (list: string, id: string) => below[list]?.includes(id) === true;
  const rows: Edits = {
    change: (list, row, edit) => {
      const next = changeRow(book, list as ListName, row, edit, inherited(list, row.id));
      if (next !== book) put(next);
    },
    changeSeveral: (list, edits) => {
      const next = edits.reduce((so, [row, edit]) => changeRow(so, list as ListName, row, edit, inherited(list, row.id)), book);
      if (next !== book) put(next);
    },
    drop: (list, id) => put(dropRow(book, list as ListName, id, inherited(list, id))),
    inherit: (list, id) => put(inheritRow(book, list as ListName, id)),
    add: (list, id, fields) => put(addRow(book, list as ListName, id, fields)),
    order: (list, ids) => put(orderRows(book, list as ListName, below[list] ?? [], ids)),
  };
  const about: Partial<Edits> = {
    change: (_, row, edit) => put(abouts.find(({ id }) => id === row.id)!.write(book, edit)),
    inherit: (_, id) => put(setSingle(book, id as Single, resolved.below[id as Single], resolved.below[id as Single])),
  };
  const conditions: Partial<Edits> = {
    change: (_, row, edit) => put(setCondition(book, row.id, edit.when)),
    drop: (_, id) => put(setCondition(book, id, undefined)),
    inherit: (_, id) => put(setCondition(book, id, undefined)),
    add: (_, id, { when }) => put(setCondition(book, id, when)),
    // Conditions have no order: they are found by name.
    order: () => undefined,
  };
  const of = (list: string): Edits => ({ ...rows, ...(list === 'about' ? about : list === 'conditions' ? conditions : {}) });
  return {
    change: (list, ...rest) => of(list).change(list, ...rest),
    changeSeveral: (list, ...rest) => of(list).changeSeveral(list, ...rest),
    drop: (list, id) => of(list).drop(list, id),
    inherit: (list, id) => of(list).inherit(list, id),
    add: (list, ...rest) => of(list).add(list, ...rest),
    order: (list, ids) => of(list).order(list, ids),
  };
};
