import type { AnyRow } from './book/BookRow';
import { mdiFuel, mdiHistory } from '@mdi/js';
import { changeBoatBook, getBoatBook, getBookVersion } from '@quay/contract/fleet';
import { BoatBook, type ListName } from '@quay/core/fleet/book';
import { comparableBook } from '@quay/core/fleet/compare';
import { useRouter } from 'expo-router';
import type { RowEdit } from '@quay/core/fleet/edit';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { Button, IconButton } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { BookEditor } from './book/BookEditor';
import { expertOf } from './book/expert/expert';
import { BookMissing } from './BookMissing';
import { aboutBoat } from './book/about';
import { useLacks } from './book/lacks/lacks';
import { editsOf, layerListings, originIn } from './book/layerEdits';
import { LearntSheet } from './LearntSheet';
import { useBook, useTextRight } from './useBook';
import { VersionsSheet } from './VersionsSheet';

/** A boat's book: what she says by herself, and what comes from her class, plainly told apart. */
export const BoatBookPage = ({ boatId, trial }: { boatId: string; trial?: (drill: RowEdit) => ReactNode }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { wide } = useRoom();
  const [versions, setVersions] = useState(false);
  const [learnt, setLearnt] = useState(false);
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['boatBook', boatId],
    get: getBoatBook,
    change: changeBoatBook,
    params: { boatId },
    bodyOf: (boatBook: BoatBook) => ({ boatBook }),
    versionOf: ({ version }) => version,
    said: ({ version }) => t('fleet.kept', { n: version }),
  });
  const right = useTextRight(['boatBook', boatId]);
  const lacking = useLacks(data?.resolved, data?.known);
  if (!data) return <BookMissing failed={failed} />;
  const { boatBook, resolved, about, version, origins, ids, below, classNames } = data;
  const abouts = aboutBoat(about);
  const rows = (list: ListName) => {
    // Points of base, waters and operator are told among hers, but are not hers to put in order.
    const byId = new Map(resolved[list].map((row) => [row.id, row as AnyRow]));
    return (ids[list] ?? []).flatMap((id) => byId.get(id) ?? []);
  };
  const edits = editsOf(boatBook, abouts, about, below, (book) => put({ book, version, before: boatBook }));
  return (
    <>
      <BookEditor
        kept={kept}
        kind="boat"
        title={boatBook.name}
        sub={`${boatBook.hullNumber} · ${t('fleet.version', { n: version })}`}
        onBack={() => router.push('/fleet')}
        right={
          wide ? (
            <View style={{ flexDirection: 'row', gap: 8 }}>
              {resolved.tanks.length > 0 ? (
                <Button mode="outlined" label={t('learnt.open')} onPress={() => setLearnt(true)} testID="learnt" />
              ) : null}
              <Button mode="outlined" label={t('fleet.versions')} onPress={() => setVersions(true)} testID="versions" />
            </View>
          ) : (
            <View style={{ flexDirection: 'row', gap: 6 }}>
              {resolved.tanks.length > 0 ? (
                <IconButton path={mdiFuel} label={t('learnt.open')} onPress={() => setLearnt(true)} testID="learnt" />
              ) : null}
              <IconButton path={mdiHistory} label={t('fleet.versions')} onPress={() => setVersions(true)} testID="versions" />
            </View>
          )
        }
        plan={resolved.plan}
        bookKind={resolved.kind}
        listings={layerListings(boatBook, abouts, about, rows, (id) => t(`fleet.about.${id as 'named'}`))}
        originOf={originIn(origins, about, boatBook.id, classNames)}
        fault={fault}
        busy={busy}
        toTranslate={data.toTranslate}
        trial={trial}
        lacking={lacking}
        onRight={(path) => right.mutate({ is: 'boat', id: boatId, path })}
        expert={expertOf({ schema: BoatBook, value: boatBook, put: (next) => put({ book: next, version, before: boatBook }) })}
        edits={edits}
      />
      {learnt ? (
        <LearntSheet
          boatId={boatId}
          gauges={resolved.gauges}
          onSet={(gauge, errors) => edits.change('gauges', gauge, { errors })}
          onClose={() => setLearnt(false)}
        />
      ) : null}
      {versions ? (
        <VersionsSheet
          of={['boat', boatId]}
          now={comparableBook(resolved)}
          versions={data.versions}
          fetch={async (n) => comparableBook((await call(getBookVersion, { params: { boatId, version: n } })).resolved)}
          onClose={() => setVersions(false)}
        />
      ) : null}
    </>
  );
};
