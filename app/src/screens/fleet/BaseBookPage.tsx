import { changeBaseBook, getBaseBook } from '@quay/contract/fleet';
import type { Base } from '@quay/core/fleet/base';
import type { RowEdit } from '@quay/core/fleet/edit';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import { type AnyRow, BookEditor, type Edits } from './BookEditor';
import { BookMissing } from './BookMissing';
import { BASE_FIELDS, BASE_LISTS, type BaseList } from './fields';
import { useBook } from './useBook';

const plain = (fields: RowEdit) => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

/** A base book has nothing below it: rows are changed as they stand. */
const baseEdits = (base: Base, put: (next: Base) => void): Edits => {
  const rowsOf = (list: string) => base[list as BaseList] as unknown as AnyRow[];
  const set = (list: string, rows: readonly AnyRow[]) => put({ ...base, [list]: rows });
  return {
    change: (list, row, edit) =>
      set(
        list,
        rowsOf(list).map((one) => (one.id === row.id ? { ...plain(edit), id: row.id } : one)),
      ),
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

/** A base book: its berths, the way in, the return card, the store, and what is told of it. */
export const BaseBookPage = ({ baseId }: { baseId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { data, failed, fault, busy, put } = useBook({
    key: ['baseBook', baseId],
    get: getBaseBook,
    change: changeBaseBook,
    params: { baseId },
    bodyOf: (base: Base) => ({ base }),
    said: () => t('fleet.keptBase'),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { base, version, boats } = data;
  return (
    <BookEditor
      version={version}
      kind="base"
      title={base.name}
      sub={t('fleet.bases')}
      onBack={() => router.push('/fleet')}
      plan={undefined}
      listings={BASE_LISTS.map((list) => ({ list, fields: BASE_FIELDS[list], rows: base[list] }))}
      originOf={() => ({ is: 'own', name: '' })}
      fault={fault}
      busy={busy}
      edits={baseEdits(base, (next) => put({ book: next, version, before: base }))}
    >
      {boats.length > 0 ? <Notice kind="ask" title={t('fleet.bearsOn', { boats: boats.join(', ') })} /> : null}
    </BookEditor>
  );
};
