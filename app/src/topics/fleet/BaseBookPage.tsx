import type { AnyRow } from './book/BookRow';
import { changeBaseBook, getBaseBook, getBaseVersion } from '@quay/contract/fleet';
import { type Base, BASE_LISTS, type BaseList } from '@quay/core/fleet/base';
import { comparableBase } from '@quay/core/fleet/compare';
import type { RowEdit } from '@quay/core/fleet/edit';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call } from '../../local/api';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { BookEditor, type Edits } from './book/BookEditor';
import { BookMissing } from './BookMissing';
import { ABOUT_BASE } from './book/about';
import { BASE_FIELDS } from './book/fields';
import { aboutListing } from './book/layerEdits';
import { useBook, useTextRight } from './useBook';
import { VersionsSheet } from './VersionsSheet';

const plain = (fields: RowEdit) => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

/** A base book has nothing below it: rows are changed as they stand. */
const baseEdits = (base: Base, put: (next: Base) => void): Edits => {
  const rowsOf = (list: string): readonly AnyRow[] => base[list as BaseList];
  const set = (list: string, rows: readonly AnyRow[]) => put({ ...base, [list]: rows });
  return {
    change: (list, row, edit) => {
      const about = list === 'about' ? ABOUT_BASE.find(({ id }) => id === row.id) : undefined;
      if (about) put(about.write(base, edit));
      else
        set(
          list,
          rowsOf(list).map((one) => (one.id === row.id ? { ...plain(edit), id: row.id } : one)),
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

/** A base book: its berths, the way in, the return card, the store, and what is told of it. */
export const BaseBookPage = ({ baseId }: { baseId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const [versions, setVersions] = useState(false);
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['baseBook', baseId],
    get: getBaseBook,
    change: changeBaseBook,
    params: { baseId },
    bodyOf: (base: Base) => ({ base }),
    versionOf: ({ version }) => version,
    said: () => t('fleet.keptBase'),
  });
  const right = useTextRight(['baseBook', baseId]);
  if (!data) return <BookMissing failed={failed} />;
  const { base, version, boats } = data;
  return (
    <>
      <BookEditor
        kept={kept}
        kind="base"
        title={base.name}
        sub={t('fleet.bases')}
        onBack={() => router.push('/fleet')}
        right={<Button mode="outlined" label={t('fleet.versions')} onPress={() => setVersions(true)} testID="versions" />}
        plan={undefined}
        listings={[
          ...BASE_LISTS.map((list) => ({ list, fieldsOf: () => BASE_FIELDS[list], rows: base[list] })),
          aboutListing(ABOUT_BASE, base, (id) => t(`fleet.about.${id as 'named'}`)),
        ]}
        originOf={() => ({ is: 'own', name: '' })}
        fault={fault}
        busy={busy}
        toTranslate={data.toTranslate}
        onRight={(path) => right.mutate({ is: 'base', id: baseId, path })}
        edits={baseEdits(base, (next) => put({ book: next, version, before: base }))}
      >
        {boats.length > 0 ? <Notice kind="ask" title={t('fleet.bearsOn', { boats: boats.join(', ') })} /> : null}
      </BookEditor>
      {versions ? (
        <VersionsSheet
          of={['base', baseId]}
          now={comparableBase(base)}
          versions={data.versions}
          fetch={(n) => call(getBaseVersion, { params: { baseId, version: n } })}
          onClose={() => setVersions(false)}
        />
      ) : null}
    </>
  );
};
