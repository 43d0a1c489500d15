import { mdiClose } from '@mdi/js';
import { type Person, SIZE_KG, SIZES, SWIMS } from '@quay/core/fit/people';
import type { RuleSet } from '@quay/core/fit/rules';
import { useEffect, useRef, useState } from 'react';
import { type FieldError, useFieldArray } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useDraft } from '../../data/draft';
import { bringIntoView } from '../../platform/browser';
import { Card, Notice, Tag } from '../../ui/board';
import { type Form, FormField, useFaultWords, useSchemaForm } from '../../ui/form';
import { Button, IconButton } from '../../ui/button';
import { ChoiceChip } from '../../ui/choiceChip';
import { ListRow } from '../../ui/listRow';
import { CheckboxRow } from '../../ui/checkboxRow';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Draft, draftOf, newDraft, PartyDraft, readDraft, sizeTaken } from './draft';

type Typed = { rows: Draft[] };
type PartyFormOf = Form<Typed, { rows: Person[] }>;

/** Where the eyes are led for a field of somebody's, by the beginning of its test id. */
const LEADS_TO: Partial<Record<keyof Draft, string>> = { age: 'age', mass: 'mass', swims: 'swimming', name: 'name' };

/** Who is aboard: one card for each, the one in hand open. What is wrong is said at its field when it is kept. */
export const PartyForm = ({
  people,
  booked,
  rules,
  plate,
  draftName,
  onKeep,
}: {
  people: readonly Person[] | undefined;
  booked: number;
  rules: RuleSet | null;
  plate: number;
  /** What is typed and not yet kept is found again under this name. */
  draftName?: string;
  onKeep: (people: Person[]) => Promise<void>;
}) => {
  const { t } = useTranslation();
  const asKept = () => {
    if (people) return people.map(draftOf);
    const empty: Draft[] = [];
    while (empty.length < booked) empty.push(newDraft(empty));
    return empty;
  };
  const draft = useDraft<Draft[]>(draftName);
  const form: PartyFormOf = useSchemaForm(PartyDraft, { rows: asKept() });
  const { append, remove } = useFieldArray({ control: form.control, name: 'rows' });
  const rows = form.watch('rows');
  const [found, setFound] = useState(false);
  const [open, setOpen] = useState<string | undefined>(people ? undefined : rows[0]?.id);
  const { errors, isSubmitting } = form.formState;
  const { before, save } = draft;
  const { reset, subscribe } = form;
  useEffect(() => {
    if (!before || before.length === 0) return;
    reset({ rows: before });
    setFound(true);
  }, [before, reset]);
  // What is typed is kept as it is typed; what is put back by ourselves is not typed.
  const keepTyped = useRef(save);
  useEffect(() => {
    keepTyped.current = save;
  });
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ name, values }) => name !== undefined && keepTyped.current(values.rows),
      }),
    [subscribe],
  );
  const wrongNow = rows.filter((_, i) => errors.rows?.[i] !== undefined);
  const keep = form.handleSubmit(
    async ({ rows: party }) => {
      await onKeep(party);
      draft.drop();
      setFound(false);
    },
    ({ rows: wrong }) => {
      const first = rows.findIndex((_, i) => wrong?.[i] !== undefined);
      const row = rows[first];
      if (!row) return;
      setOpen(row.id);
      const field = Object.keys(wrong?.[first] ?? {}).find((one) => one in LEADS_TO) as keyof Draft | undefined;
      // The card opens first, then its field is where the eyes are.
      if (field) setTimeout(() => bringIntoView(`${LEADS_TO[field]}-${row.id}`), 60);
    },
  );
  const next = (id: string) => {
    const at = rows.findIndex((row) => row.id === id);
    setOpen(rows[at + 1]?.id);
  };
  return (
    <View style={{ gap: 12 }}>
      {found ? (
        <Notice
          kind="calm"
          title={t('party.begun')}
          action={
            <Button
              mode="outlined"
              label={t('party.anew')}
              onPress={() => {
                draft.drop();
                reset({ rows: asKept() });
                setFound(false);
              }}
              testID="party-anew"
            />
          }
        />
      ) : null}
      {rows.length > plate ? (
        <Tag kind="stop" size={16}>
          {t('party.overPlate', { n: rows.length, may: plate })}
        </Tag>
      ) : null}
      {rows.map((row, i) => (
        <PersonCard
          key={row.id}
          row={row}
          nth={i + 1}
          open={open === row.id}
          last={i === rows.length - 1}
          form={form}
          rules={rules}
          onOpen={() => setOpen(open === row.id ? undefined : row.id)}
          onNext={() => next(row.id)}
          {...(rows.length > 1 ? { onRemove: () => remove(i) } : {})}
        />
      ))}
      <Button
        mode="outlined"
        label={t('party.add')}
        testID="add-person"
        onPress={() => {
          const row = newDraft(rows);
          append(row);
          setOpen(row.id);
        }}
      />
      <Small>{t('party.private')}</Small>
      {wrongNow.length > 0 ? (
        <View testID="party-wrong">
          <Notice
            kind="stop"
            title={t('party.wrong', {
              names: wrongNow.map((row) => row.name.trim() || t('party.person', { n: rows.indexOf(row) + 1 })).join(', '),
            })}
          />
        </View>
      ) : null}
      <Button mode="contained" label={t('party.keep')} onPress={() => void keep()} busy={isSubmitting} testID="keep-party" />
    </View>
  );
};

const PersonCard = ({
  row,
  nth,
  open,
  last,
  form,
  rules,
  onOpen,
  onNext,
  onRemove,
}: {
  row: Draft;
  nth: number;
  open: boolean;
  last: boolean;
  form: PartyFormOf;
  rules: RuleSet | null;
  onOpen: () => void;
  onNext: () => void;
  onRemove?: () => void;
}) => {
  const { t } = useTranslation();
  const size = sizeTaken(row);
  const name = row.name.trim() || t('party.person', { n: nth });
  const read = readDraft(row);
  const summary = [
    row.age.trim() ? t('party.years', { n: row.age.trim() }) : '',
    row.mass.trim() ? `${row.mass.trim()} kg` : size ? t(`party.size.${size}`) : '',
    row.swims === undefined || row.swims === 'well' ? '' : t(`party.swims.${row.swims}`),
    row.drives ? t('party.drives') : '',
    row.lookout ? t('party.lookout') : '',
  ].filter(Boolean);
  const words = useFaultWords();
  const at = `rows.${nth - 1}` as const;
  const set = <K extends keyof Draft>(field: K, value: Draft[K]) => {
    form.setValue(`${at}.${field}` as 'rows.0.age', value as string, { shouldDirty: true });
    form.clearErrors(`${at}.${field}` as 'rows.0.age');
  };
  const swimsFault = words(form.formState.errors.rows?.[nth - 1]?.swims as FieldError | undefined);
  if (!open) {
    return (
      <Card style={{ padding: 0 }}>
        <ListRow label={`${name}, ${summary.join(', ')}`} onPress={onOpen} testID={`person-${row.id}`} style={{ padding: 14, gap: 2 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Bold size={18}>{name}</Bold>
            {read.ok ? null : <Tag kind="ask">{t('party.incomplete')}</Tag>}
          </View>
          {summary.length > 0 ? <Small>{summary.join(' · ')}</Small> : null}
        </ListRow>
      </Card>
    );
  }
  return (
    <Card style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <SlabBold size={22} heading={3} style={{ flex: 1 }}>
          {name}
        </SlabBold>
        {onRemove ? (
          <IconButton path={mdiClose} label={t('party.remove', { name })} onPress={onRemove} plain testID={`remove-${row.id}`} />
        ) : null}
      </View>
      <FormField form={form} name={`${at}.name`} label={t('party.name')} most={60} testID={`name-${row.id}`} />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <FormField form={form} name={`${at}.age`} label={t('party.age')} numeric most={5} testID={`age-${row.id}`} />
        </View>
        <View style={{ flex: 1 }}>
          <FormField form={form} name={`${at}.mass`} label={t('party.mass')} numeric unit="kg" most={8} testID={`mass-${row.id}`} />
        </View>
      </View>
      {row.mass.trim() === '' ? (
        <View style={{ gap: 6 }}>
          <Small>{t('party.sizeInstead')}</Small>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('party.sizeInstead')}>
            {SIZES.map((one) => (
              <ChoiceChip
                key={one}
                label={`${t(`party.size.${one}`)} ${SIZE_KG[one][0]}–${SIZE_KG[one][1]}`}
                on={size === one}
                onPress={() => set('size', one)}
                testID={`size-${one}`}
              />
            ))}
          </View>
          {size ? <Body>{t('party.sizeTook', { from: SIZE_KG[size][0], to: SIZE_KG[size][1] })}</Body> : null}
        </View>
      ) : null}
      <Small>{t('party.swimming')}</Small>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}
        role="radiogroup"
        aria-label={t('party.swimming')}
        testID={`swimming-${row.id}`}
      >
        {SWIMS.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`party.swims.${one}`)}
            on={row.swims === one}
            onPress={() => set('swims', one)}
            testID={`swims-${one}`}
          />
        ))}
      </View>
      {swimsFault ? (
        <Bold size={16} tone="leadText" live>
          {swimsFault}
        </Bold>
      ) : null}
      <View style={{ gap: 4 }}>
        <CheckboxRow
          label={t('party.drives')}
          on={row.drives === true}
          onChange={(drives) => set('drives', drives)}
          testID={`drives-${row.id}`}
        />
        {row.drives && rules?.driver.licence ? (
          <CheckboxRow
            label={t('party.licence')}
            on={row.licence === true}
            onChange={(licence) => set('licence', licence)}
            testID={`licence-${row.id}`}
          />
        ) : null}
        <CheckboxRow
          label={t('party.lookout')}
          on={row.lookout === true}
          onChange={(lookout) => set('lookout', lookout)}
          testID={`lookout-${row.id}`}
        />
        <CheckboxRow
          label={t('party.towed')}
          on={row.towed === true}
          onChange={(towed) => set('towed', towed)}
          testID={`towed-${row.id}`}
        />
      </View>
      {last ? null : <Button mode="outlined" label={t('party.next')} onPress={onNext} testID="next-person" />}
    </Card>
  );
};
