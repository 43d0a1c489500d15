import { type PartyFormOf, PersonCard } from './PersonCard';
import { type Person } from '@quay/core/party/people';
import type { RuleSet } from '@quay/core/party/rules';
import { useEffect, useRef, useState } from 'react';
import { useFieldArray, useFormState } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useDraft } from '../../local/draft';
import { bringIntoView } from '../../platform/browser';
import { Notice, Tag } from '../../ui/board';
import { useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { Small } from '../../ui/words';
import { type Draft, draftOf, newDraft, PartyDraft } from './draft';

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
  // Who there are; what is typed of each is watched where it is shown, so that a key draws a field and not the party.
  const { fields: rows, append, remove } = useFieldArray({ control: form.control, name: 'rows', keyName: 'key' });
  const [found, setFound] = useState(false);
  const [open, setOpen] = useState<string | undefined>(people ? undefined : rows[0]?.id);
  const { isSubmitting } = form.formState;
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
          id={row.id}
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
      <Wrong form={form} />
      <Button mode="contained" label={t('party.keep')} onPress={() => void keep()} busy={isSubmitting} testID="keep-party" />
    </View>
  );
};

/** Whose cards have to be looked at again before the party can be kept. */
const Wrong = ({ form }: { form: PartyFormOf }) => {
  const { t } = useTranslation();
  const { errors } = useFormState({ control: form.control, name: 'rows' });
  const wrong = form
    .getValues('rows')
    .flatMap(({ name }, i) => (errors.rows?.[i] === undefined ? [] : [name.trim() || t('party.person', { n: i + 1 })]));
  return wrong.length > 0 ? (
    <View testID="party-wrong">
      <Notice kind="stop" title={t('party.wrong', { names: wrong.join(', ') })} />
    </View>
  ) : null;
};
