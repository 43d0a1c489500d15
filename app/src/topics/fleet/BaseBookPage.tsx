import { changeBaseBook, getBaseBook, getBaseVersion } from '@quay/contract/fleet';
import { Base, BASE_LISTS } from '@quay/core/fleet/base';
import { comparableBase } from '@quay/core/fleet/compare';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call } from '../../local/api';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { BookEditor } from './book/BookEditor';
import { plainEdits } from './book/plainEdits';
import { expertOf } from './book/expert/expert';
import { BookMissing } from './BookMissing';
import { ABOUT_BASE } from './book/about';
import { BASE_FIELDS } from './book/fields/fields';
import { aboutListing } from './book/layerEdits';
import { useBook, useTextRight } from './useBook';
import { VersionsSheet } from './VersionsSheet';

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
        expert={expertOf({ schema: Base, value: base, put: (next) => put({ book: next, version, before: base }) })}
        edits={plainEdits(base, ABOUT_BASE, (next) => put({ book: next, version, before: base }))}
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
