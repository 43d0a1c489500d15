import { type Named, OneField } from './OneField';
import type { Book } from '@quay/core/fleet/book';
import { canDraw } from '@quay/core/fleet/drawing';
import type { RowEdit } from '@quay/core/fleet/edit';
import type { Lack } from '@quay/core/fleet/lacks/lacks';
import type { Hull } from '@quay/core/fleet/hull';
import { type Language, LANGUAGES, say } from '@quay/core/words/words';
import { typedNumber } from '@quay/core/number/typed';
import { type ReactNode, useMemo, useState } from 'react';
import { type FieldError, get } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { Card, Notice, Tag } from '../../../ui/board';
import { useFaultWords, useSchemaForm } from '../../../ui/controls/form';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Plan } from '../../../ui/drawn/plan';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Body, SlabBold, Small } from '../../../ui/words';
import { isMatter } from './about';
import { type BookKind, LAYERED } from './bookKind';
import { type Draft, draftOf, type DraftValue, readDraft, rowForm, type Texts, wordingOf } from './draft';
import { DrillNamesNow, drillNamesIn } from './drill/drillNames';
import type { FieldSpec } from './fields/fieldSpec';
import { HullTrials } from './HullTrials';
import { TankCurve } from './TankCurve';

export type RowOrigin = { is: 'class' | 'changed' | 'own' | 'none'; name: string };
/** One row of a book, a language at a time, with what the renter will see of it. */
export const RowSheet = ({
  kind,
  title,
  fields,
  row,
  start,
  origin,
  stations,
  tanks,
  named = [],
  plan,
  bookKind,
  fault,
  busy,
  onClose,
  onKeep,
  onDrop,
  onInherit,
  waitingIn = () => [],
  lacksAs = () => [],
  aside,
  onRight,
}: {
  kind: BookKind;
  title: string;
  fields: readonly FieldSpec[];
  row?: Readonly<Record<string, unknown>>;
  /** What a new row begins with. */
  start: Readonly<Record<string, unknown>>;
  origin: RowOrigin;
  stations: readonly (Named & { at: readonly [number, number] })[];
  tanks: readonly Named[];
  /** Conditions of the book that have a name. */
  named?: readonly string[];
  plan: Book['plan'] | undefined;
  bookKind: Book['kind'] | undefined;
  fault: string | undefined;
  busy: boolean;
  onClose: () => void;
  onKeep: (edit: RowEdit) => void;
  onDrop?: () => void;
  onInherit?: () => void;
  /** Languages in which the text of a field is older than in another. */
  waitingIn?: (field: string) => readonly string[];
  /** What is shown beside the form, of the row as it is typed; nothing while it cannot be read. */
  aside?: ((row: RowEdit) => ReactNode) | undefined;
  /** What the row lacks as it is typed. */
  lacksAs?: (edit: RowEdit) => readonly Lack[];
  /** The text of a field is right as it is in those. */
  onRight?: (field: string) => void;
}) => {
  const { t } = useTranslation();
  const [language, setLanguage] = useState<Language>('en');
  const schema = useMemo(() => rowForm(fields), [fields]);
  const form = useSchemaForm(schema, draftOf(row ?? start, fields));
  const faultWords = useFaultWords();
  const draft: Draft = form.watch();
  const { errors } = form.formState;
  const set = (field: string, value: DraftValue) => {
    form.setValue(field, value, { shouldDirty: true });
    form.clearErrors(field);
  };
  const keep = form.handleSubmit((edit) => onKeep(edit));
  const wordings = fields.some(({ is }) => is === 'wording');
  const names = useMemo(() => drillNamesIn(draft), [draft]);
  return (
    <DrillNamesNow.Provider value={names}>
      <ModalSheet
        title={title}
        closeLabel={t('common.close')}
        onClose={onClose}
        {...(aside ? { beside: <Aside draft={draft} fields={fields} aside={aside} /> } : {})}
        footer={<Button mode="contained" label={t(`fleet.keepFor.${kind}`)} onPress={() => void keep()} busy={busy} testID="keep-row" />}
      >
        {!LAYERED.has(kind) ? null : <Small>{t(`fleet.origin.${origin.is}`, { name: origin.name })}</Small>}
        {fault ? <Notice kind="stop" title={fault} /> : null}
        {fields.some(({ field }) => isMatter(field)) ? <Small>{t('fleet.policiesNote')}</Small> : null}
        {wordings ? (
          <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('fleet.language')}>
            {LANGUAGES.map((one) => (
              <ChoiceChip key={one} label={one.toUpperCase()} on={language === one} onPress={() => setLanguage(one)} testID={`in-${one}`} />
            ))}
          </View>
        ) : null}
        {fields.map((spec) =>
          spec.is === 'trials' ? (
            <HullTrials
              key={spec.field}
              text={typeof draft[spec.field] === 'string' ? (draft[spec.field] as string) : ''}
              given={givenIn(draft, fields)}
              kind={bookKind}
              plan={plan}
              onSet={(text) => set(spec.field, text)}
              onFigures={(figures) => {
                for (const [field, value] of Object.entries(figures)) set(field, value);
              }}
            />
          ) : spec.is === 'curve' ? (
            <TankCurve
              key={spec.field}
              field={spec.field}
              label={t(`fleet.field.${spec.field}`)}
              text={typeof draft[spec.field] === 'string' ? (draft[spec.field] as string) : ''}
              capacityL={capacityIn(draft)}
              onSet={(text) => set(spec.field, text)}
            />
          ) : (
            <View key={spec.field} style={{ gap: 6 }}>
              <OneField
                spec={spec}
                typed={draft[spec.field]}
                beside={draft}
                language={language}
                faultAt={(way) => faultWords(get(errors, way ? `${spec.field}.${way}` : spec.field) as FieldError | undefined)}
                named={named}
                stations={stations}
                tanks={tanks}
                plan={plan}
                onSet={(value) => set(spec.field, value)}
              />
              {waitingIn(spec.field).length > 0 ? (
                <Notice
                  kind="ask"
                  title={t('fleet.toTranslate', { languages: waitingIn(spec.field).join(', ') })}
                  action={
                    <Button
                      mode="outlined"
                      label={t('fleet.isRight')}
                      onPress={() => onRight?.(spec.field)}
                      testID={`right-${spec.field}`}
                    />
                  }
                />
              ) : null}
            </View>
          ),
        )}
        <RowLacks draft={draft} fields={fields} lacksAs={lacksAs} />
        {fields.some(({ field }) => field === 'say') ? <Preview draft={draft} language={language} /> : null}
        {fields.some(({ field }) => field === 'beamM') ? <PlanPreview draft={draft} fields={fields} stations={stations} /> : null}
        {row ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {origin.is === 'changed' && onInherit ? (
              <Button mode="outlined" label={t('fleet.inherit')} onPress={onInherit} testID="inherit" />
            ) : null}
            {onDrop ? <Button mode="outlined" label={t('fleet.drop')} onPress={onDrop} testID="drop-row" /> : null}
          </View>
        ) : null}
      </ModalSheet>
    </DrillNamesNow.Provider>
  );
};

const Aside = ({ draft, fields, aside }: { draft: Draft; fields: readonly FieldSpec[]; aside: (row: RowEdit) => ReactNode }) => {
  const read = readDraft(draft, fields);
  return read.ok ? aside(read.edit) : null;
};

/** What the row lacks as it is typed; nothing while something is typed that cannot be read. */
const RowLacks = ({
  draft,
  fields,
  lacksAs,
}: {
  draft: Draft;
  fields: readonly FieldSpec[];
  lacksAs: (edit: RowEdit) => readonly Lack[];
}) => {
  const { t } = useTranslation();
  const read = readDraft(draft, fields);
  const lacks = read.ok ? lacksAs(read.edit) : [];
  if (lacks.length === 0) return null;
  return (
    <Notice kind="ask" title={t('lack.here')}>
      {lacks.map(({ is, path, about }) => (
        <Body key={`${is} ${path}`}>{`${t(`lack.is.${is}`, { about })}. ${t(`lack.why.${is}`)}.`}</Body>
      ))}
    </Notice>
  );
};

/** What a tank holds as it is typed now. */
const capacityIn = (draft: Draft): number | undefined => {
  const typed = typeof draft.capacityL === 'string' ? typedNumber(draft.capacityL) : NaN;
  return typed > 0 ? typed : undefined;
};

/** The figures of a hull as they are typed now; what cannot be read is left out. */
const givenIn = (draft: Draft, fields: readonly FieldSpec[]): Hull => {
  const numbers = fields.filter(({ is }) => is === 'number');
  return Object.fromEntries(
    numbers.flatMap((spec) => {
      const read = readDraft(draft, [spec]);
      return read.ok && read.edit[spec.field] !== undefined ? [[spec.field, read.edit[spec.field]]] : [];
    }),
  );
};

/** As the renter will see it. */
const Preview = ({ draft, language }: { draft: Draft; language: Language }) => {
  const { t } = useTranslation();
  const words = (field: string) => {
    const wording = wordingOf((draft[field] ?? {}) as Texts);
    return wording && say(wording, language);
  };
  return (
    <>
      <Small>{t('fleet.preview')}</Small>
      <Card style={{ gap: 6 }}>
        <SlabBold size={22}>{words('say') ?? '…'}</SlabBold>
        {(['show', 'mistake'] as const).map((field) => (words(field) ? <Body key={field}>{words(field)}</Body> : null))}
        {words('caution') ? <Tag kind="stop">{words('caution')}</Tag> : null}
      </Card>
    </>
  );
};

/** The plan as it is typed, with the stations where they are; nothing while it cannot be drawn. */
const PlanPreview = ({
  draft,
  fields,
  stations,
}: {
  draft: Draft;
  fields: readonly FieldSpec[];
  stations: readonly (Named & { at: readonly [number, number] })[];
}) => {
  const { t } = useTranslation();
  const { width } = useWindowDimensions();
  const read = readDraft(draft, fields);
  if (!read.ok || !canDraw(read.edit.strokes)) return <Small>{t('fleet.noPlan')}</Small>;
  const size = Math.min(width, 640) - 36;
  return (
    <Plan
      plan={read.edit as Book['plan']}
      stations={stations as Book['stations']}
      stops={stations.map(({ id }, i) => ({ id, name: '', label: String(i + 1), state: 'open' }))}
      width={size}
      height={Math.round(size * 0.45)}
    />
  );
};
