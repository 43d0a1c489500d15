import { changeBoatBook, getBoatBook } from '@quay/contract/fleet';
import { type BoatBook, type ListName, LISTS } from '@quay/core/fleet/book';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Alt } from '../../ui/press';
import { type AnyRow, BookEditor } from './BookEditor';
import { BookMissing } from './BookMissing';
import { FIELDS } from './fields';
import { editsOf, originIn } from './layerEdits';
import { useBook } from './useBook';
import { VersionsSheet } from './VersionsSheet';

/** A boat's book: what she says by herself, and what comes from her class, plainly told apart. */
export const BoatBookPage = ({ boatId }: { boatId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const now = useNow();
  const [versions, setVersions] = useState(false);
  const { data, failed, fault, busy, put } = useBook({
    key: ['boatBook', boatId],
    get: getBoatBook,
    change: changeBoatBook,
    params: { boatId },
    bodyOf: (boatBook: BoatBook) => ({ boatBook }),
    said: ({ version }) => t('fleet.kept', { n: version }),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { boatBook, laid, version, origins, ids, below, classNames } = data;
  const rows = (list: ListName) => {
    // Points of base, waters and operator are told among hers, but are not hers to put in order.
    const byId = new Map(laid[list].map((row) => [row.id, row as AnyRow]));
    return (ids[list] ?? []).flatMap((id) => byId.get(id) ?? []);
  };
  return (
    <>
      <BookEditor
        version={version}
        kind="boat"
        title={boatBook.name}
        sub={`${boatBook.hullNumber} · ${t('fleet.version', { n: version })}`}
        onBack={() => router.push('/fleet')}
        right={<Alt label={t('fleet.versions')} onPress={() => setVersions(true)} testID="versions" />}
        plan={laid.plan}
        listings={['points' as const, ...LISTS.filter((list) => list !== 'points')].map((list) => ({
          list,
          fields: FIELDS[list],
          rows: rows(list),
        }))}
        originOf={originIn(origins, boatBook.id, classNames)}
        fault={fault}
        busy={busy}
        edits={editsOf(boatBook, below, (book) => put({ book, version, before: boatBook }))}
      />
      {versions ? (
        <VersionsSheet boatId={boatId} shelf={data} when={(at) => whenOf(at, 'UTC', now, 'en')} onClose={() => setVersions(false)} />
      ) : null}
    </>
  );
};
