import { changeClassBook, getClassBook } from '@quay/contract/fleet';
import { type ClassBook, LISTS } from '@quay/core/fleet/book';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import { BookEditor } from './BookEditor';
import { BookMissing } from './BookMissing';
import { FIELDS } from './fields';
import { editsOf, originIn } from './layerEdits';
import { useBook } from './useBook';

/** A class book: what is put right here is right in every boat laid from it that says nothing else. */
export const ClassBookPage = ({ classId }: { classId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { data, failed, fault, busy, put } = useBook({
    key: ['classBook', classId],
    get: getClassBook,
    change: changeClassBook,
    params: { classId },
    bodyOf: (classBook: ClassBook) => ({ classBook }),
    said: ({ boats }) => (boats.length > 0 ? t('fleet.keptFor', { boats: boats.join(', ') }) : t('fleet.keptBase')),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { classBook, lists, origins, below, classNames, plan, version, boats } = data;
  return (
    <BookEditor
      version={version}
      kind="class"
      title={classBook.name}
      sub={classBook.from ? t('fleet.comesFrom', { name: classNames[classBook.from] ?? classBook.from }) : t('fleet.classes')}
      onBack={() => router.push('/fleet')}
      plan={plan ?? undefined}
      listings={['points' as const, ...LISTS.filter((list) => list !== 'points')].map((list) => ({
        list,
        fields: FIELDS[list],
        rows: lists[list] ?? [],
      }))}
      originOf={originIn(origins, classBook.id, classNames)}
      fault={fault}
      busy={busy}
      edits={editsOf(classBook, below, (book) => put({ book, version, before: classBook }))}
    >
      <Notice kind="ask" title={boats.length > 0 ? t('fleet.bearsOn', { boats: boats.join(', ') }) : t('fleet.bearsOnNone')} />
    </BookEditor>
  );
};
