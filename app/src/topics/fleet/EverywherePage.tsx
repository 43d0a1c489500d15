import { changeEverywhere, type Everywhere, getEverywhere } from '@quay/contract/fleet';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import { BookEditor } from './book/BookEditor';
import { BASE_FIELDS } from './book/fields/fields';
import { plainEdits } from './book/plainEdits';
import { BookMissing } from './BookMissing';
import { useBook } from './useBook';

type Said = { points: Everywhere['points'] };

/** What the operator says on every boat, whatever her book and base say. */
export const EverywherePage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['everywhere'],
    get: getEverywhere,
    change: changeEverywhere,
    params: {},
    bodyOf: ({ points }: Said) => ({ points }),
    versionOf: ({ version }) => version,
    said: () => t('fleet.keptBase'),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { points, version, boats } = data;
  const book: Said = { points };
  return (
    <BookEditor
      kept={kept}
      kind="base"
      title={t('fleet.everywhere')}
      sub={t('fleet.ground')}
      onBack={() => router.push('/fleet')}
      plan={undefined}
      listings={[{ list: 'points', fieldsOf: () => BASE_FIELDS.points, rows: points }]}
      originOf={() => ({ is: 'own', name: '' })}
      fault={fault}
      busy={busy}
      toTranslate={{}}
      onRight={() => undefined}
      edits={plainEdits(book, [], (next) => put({ book: next, version, before: book }))}
    >
      {boats.length > 0 ? <Notice kind="ask" title={t('fleet.bearsOn', { boats: boats.join(', ') })} /> : null}
    </BookEditor>
  );
};
