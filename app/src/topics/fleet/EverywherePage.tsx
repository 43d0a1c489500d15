import { changeEverywhere, getEverywhere, SaidEverywhere } from '@quay/contract/fleet';
import type { Wording } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import type { About } from './book/about';
import { BookEditor } from './book/BookEditor';
import { aboutListing } from './book/layerEdits';
import { BASE_FIELDS } from './book/fields/fields';
import { plainEdits } from './book/plainEdits';
import { expertOf } from './book/expert/expert';
import { BookMissing } from './BookMissing';
import { useBook } from './useBook';

type Said = SaidEverywhere;

const ABOUT: readonly About<Said>[] = [
  {
    id: 'clauses',
    fields: [{ field: 'clauses', is: 'wording', lines: 8 }],
    read: ({ clauses }) => ({ clauses }),
    write: ({ points }, { clauses }) => ({ points, ...(clauses ? { clauses: clauses as Wording } : {}) }),
  },
];

/** What the operator says on every boat, whatever her book and base say. */
export const EverywherePage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['everywhere'],
    get: getEverywhere,
    change: changeEverywhere,
    params: {},
    bodyOf: (said: Said) => said,
    versionOf: ({ version }) => version,
    said: () => t('fleet.keptBase'),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { points, clauses, version, boats } = data;
  const book: Said = { points, ...(clauses ? { clauses } : {}) };
  return (
    <BookEditor
      kept={kept}
      kind="everywhere"
      title={t('fleet.everywhere')}
      sub={t('fleet.ground')}
      onBack={() => router.push('/fleet')}
      plan={undefined}
      listings={[
        { list: 'points', fieldsOf: () => BASE_FIELDS.points, rows: points },
        aboutListing(ABOUT, book, () => t('fleet.about.clauses')),
      ]}
      originOf={() => ({ is: 'own', name: '' })}
      fault={fault}
      busy={busy}
      toTranslate={{}}
      onRight={() => undefined}
      expert={expertOf({ schema: SaidEverywhere, value: book, put: (next) => put({ book: next, version, before: book }) })}
      edits={plainEdits(book, ABOUT, (next) => put({ book: next, version, before: book }))}
    >
      {boats.length > 0 ? <Notice kind="ask" title={t('fleet.bearsOn', { boats: boats.join(', ') })} /> : null}
    </BookEditor>
  );
};
