import { changeClassBook, getClassBook, getClassVersion } from '@quay/contract/fleet';
import { type Book, ClassBook } from '@quay/core/fleet/book';
import { comparableClass } from '@quay/core/fleet/compare';
import type { Lists } from '@quay/core/fleet/merge';
import { useRouter } from 'expo-router';
import type { RowEdit } from '@quay/core/fleet/edit';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call } from '../../local/api';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { BookEditor } from './book/BookEditor';
import { expertOf } from './book/expert/expert';
import { BookMissing } from './BookMissing';
import { aboutClass } from './book/about';
import { editsOf, layerListings, originIn } from './book/layerEdits';
import { useBook, useTextRight } from './useBook';
import { VersionsSheet } from './VersionsSheet';

/** A class book: what is put right here is right in every boat resolved from it that says nothing else. */
export const ClassBookPage = ({ classId, trial }: { classId: string; trial?: (drill: RowEdit) => ReactNode }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const [versions, setVersions] = useState(false);
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['classBook', classId],
    get: getClassBook,
    change: changeClassBook,
    params: { classId },
    bodyOf: (classBook: ClassBook) => ({ classBook }),
    versionOf: ({ version }) => version,
    said: ({ boats }) => (boats.length > 0 ? t('fleet.keptFor', { boats: boats.join(', ') }) : t('fleet.keptBase')),
  });
  const right = useTextRight(['classBook', classId]);
  if (!data) return <BookMissing failed={failed} />;
  const { classBook, lists, about, origins, below, classNames, plan, version, boats } = data;
  const abouts = aboutClass(about);
  return (
    <>
      <BookEditor
        kept={kept}
        kind="class"
        title={classBook.name}
        sub={classBook.from ? t('fleet.comesFrom', { name: classNames[classBook.from] ?? classBook.from }) : t('fleet.classes')}
        onBack={() => router.push('/fleet')}
        right={<Button mode="outlined" label={t('fleet.versions')} onPress={() => setVersions(true)} testID="versions" />}
        plan={plan ?? undefined}
        bookKind={about.value.kind as Book['kind'] | undefined}
        listings={layerListings(
          classBook,
          abouts,
          about,
          (list) => lists[list] ?? [],
          (id) => t(`fleet.about.${id as 'named'}`),
        )}
        originOf={originIn(origins, about, classBook.id, classNames)}
        fault={fault}
        busy={busy}
        toTranslate={data.toTranslate}
        trial={trial}
        onRight={(path) => right.mutate({ is: 'class', id: classId, path })}
        expert={expertOf({ schema: ClassBook, value: classBook, put: (next) => put({ book: next, version, before: classBook }) })}
        edits={editsOf(classBook, abouts, about, below, (book) => put({ book, version, before: classBook }))}
      >
        <Notice kind="ask" title={boats.length > 0 ? t('fleet.bearsOn', { boats: boats.join(', ') }) : t('fleet.bearsOnNone')} />
      </BookEditor>
      {versions ? (
        <VersionsSheet
          of={['class', classId]}
          now={comparableClass(classBook, lists as Lists, about.value)}
          versions={data.versions}
          fetch={(n) => call(getClassVersion, { params: { classId, version: n } })}
          onClose={() => setVersions(false)}
        />
      ) : null}
    </>
  );
};
