import { changeWaters, getWaters } from '@quay/contract/waters';
import { idOf } from '@quay/core/fleet/edit';
import { MOST_LETTERS } from '@quay/core/waters/layOver';
import { Waters } from '@quay/core/waters/zone';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useChartWords } from '../../../i18n/chartWords';
import type { Geometry } from '../../../platform/chart/Shaping';
import { FileDrop } from '../../../platform/fileDrop';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Body } from '../../../ui/words';
import { BookEditor } from '../book/BookEditor';
import type { AnyRow } from '../book/BookRow';
import { expertOf } from '../book/expert/expert';
import { BASE_FIELDS } from '../book/fields/fields';
import { aboutListing } from '../book/layerEdits';
import { plainEdits } from '../book/plainEdits';
import { RowSheet } from '../book/RowSheet';
import { BookMissing } from '../BookMissing';
import { useBook } from '../useBook';
import { ABOUT_WATERS, FEATURE_FIELDS, propertiesOf, rowOf, SAYS_FIELDS, watersEdits } from './aboutWaters';
import { DrawBoard } from './DrawBoard';
import { LaySheet } from './LaySheet';

/** A stretch of water: its chart to draw on, its zones and places, and what holds there. */
export const WatersPage = ({ watersId }: { watersId: string }) => (useChartWords() ? <Page watersId={watersId} /> : null);

/** A row that is open beside the list: a feature of the chart, or what was drawn just now. */
type Open = { id: string } | { geometry: Geometry };
const KIND_OF = { Polygon: 'slow', LineString: 'channel', Point: 'landmark' } as const;
const ACCEPT = ['.geojson', '.json', 'application/geo+json'];

const Page = ({ watersId }: { watersId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const [open, setOpen] = useState<Open>();
  const [content, setContent] = useState<string>();
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['waters', watersId],
    get: getWaters,
    change: changeWaters,
    params: { watersId },
    bodyOf: (waters: Waters) => ({ waters }),
    versionOf: ({ version }) => version,
    said: () => t('fleet.keptBase'),
  });
  useEffect(() => {
    setOpen(undefined);
    setContent(undefined);
  }, [kept]);
  if (!data) return <BookMissing failed={failed} />;
  const { waters, version, boats } = data;
  const keep = (next: Waters) => put({ book: next, version, before: waters });
  const edits = watersEdits(waters, plainEdits(waters, ABOUT_WATERS, keep), keep);
  const opened = open && 'id' in open ? waters.features.find(({ id }) => id === open.id) : undefined;
  const rows: readonly AnyRow[] = waters.features.map(rowOf);
  const add = (geometry: Geometry, edit: Parameters<typeof propertiesOf>[0]) => {
    const id = idOf(
      String(edit.called),
      waters.features.map((one) => one.id),
    );
    keep({ ...waters, features: [...waters.features, { type: 'Feature', id, properties: propertiesOf(edit), geometry }] });
  };
  return (
    <>
      <BookEditor
        kept={kept}
        kind="waters"
        title={waters.name}
        sub={t('fleet.watersOf')}
        onBack={() => router.push('/fleet')}
        plan={undefined}
        listings={[
          { list: 'features', fixed: true, fieldsOf: () => FEATURE_FIELDS, rows },
          aboutListing(ABOUT_WATERS, waters, (id) => t(`fleet.about.${id as 'name'}`)),
          { list: 'says', fieldsOf: () => SAYS_FIELDS, rows: (waters.says ?? []) as readonly AnyRow[] },
          { list: 'points', fieldsOf: () => BASE_FIELDS.points, rows: (waters.points ?? []) as readonly AnyRow[] },
        ]}
        originOf={() => ({ is: 'own', name: '' })}
        fault={fault}
        busy={busy}
        toTranslate={{}}
        onRight={() => undefined}
        expert={expertOf({ schema: Waters, value: waters, put: keep })}
        edits={edits}
      >
        {boats.length > 0 ? (
          <Notice kind="ask" title={t('fleet.bearsOn', { boats: boats.join(', ') })}>
            <Body>{t('fleet.lawFirst')}</Body>
          </Notice>
        ) : null}
        <DrawBoard
          waters={waters}
          busy={busy}
          onMoved={(id, geometry) =>
            keep({ ...waters, features: waters.features.map((one) => (one.id === id ? { ...one, geometry } : one)) })
          }
          onDrawn={(geometry) => setOpen({ geometry })}
          onOpen={(id) => setOpen({ id })}
        />
        <FileDrop
          accept={ACCEPT}
          onFile={(file) => void (file.size > MOST_LETTERS ? Promise.resolve(' '.repeat(MOST_LETTERS + 1)) : file.text()).then(setContent)}
        >
          {(choose) => (
            <Button mode="outlined" label={t('waters.bring')} onPress={choose} style={{ alignSelf: 'flex-start' }} testID="bring-waters" />
          )}
        </FileDrop>
      </BookEditor>
      {open ? (
        <RowSheet
          key={opened?.id ?? 'drawn'}
          kind="waters"
          title={opened?.properties.name ?? t('waters.drawn')}
          fields={FEATURE_FIELDS}
          {...(opened ? { row: rowOf(opened) } : {})}
          start={'geometry' in open ? { zone: KIND_OF[open.geometry.type] } : {}}
          origin={{ is: 'own', name: '' }}
          stations={[]}
          tanks={[]}
          plan={undefined}
          bookKind={undefined}
          fault={fault}
          busy={busy}
          onClose={() => setOpen(undefined)}
          onKeep={(edit) => {
            if (opened) edits.change('features', rowOf(opened), edit);
            else if ('geometry' in open) add(open.geometry, edit);
          }}
          {...(opened ? { onDrop: () => edits.drop('features', opened.id) } : {})}
        />
      ) : null}
      {content === undefined ? null : (
        <LaySheet waters={waters} content={content} fault={fault} busy={busy} onKeep={keep} onClose={() => setContent(undefined)} />
      )}
    </>
  );
};
