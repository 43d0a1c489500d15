import { typedNumber } from '@quay/core/number/typed';
import { mdiClose } from '@mdi/js';
import { type Person, SIZE_KG, SIZES, SWIMS } from '@quay/core/party/people';
import type { RuleSet } from '@quay/core/party/rules';
import { type FieldError, useFormState, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Tag } from '../../ui/board';
import { type Form, FormField, useFaultWords } from '../../ui/controls/form';
import { Button, IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ListRow } from '../../ui/controls/listRow';
import { CheckboxRow } from '../../ui/controls/checkboxRow';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Draft, readDraft, sizeTaken } from './draft';

export type Typed = { rows: Draft[] };

export type PartyFormOf = Form<Typed, { rows: Person[] }>;

export type Somebody = { form: PartyFormOf; /** Whose card it is, from 1. */ nth: number };

const at = (nth: number) => `rows.${nth - 1}` as const;

/** Sets a field that is not typed; what was wrong with it is not said any longer. */
const set = <K extends keyof Draft>({ form, nth }: Somebody, field: K, value: Draft[K]) => {
  const name = `${at(nth)}.${field}` as 'rows.0.age';
  form.setValue(name, value as string, { shouldDirty: true });
  form.clearErrors(name);
};

export const PersonCard = ({
  id,
  open,
  last,
  rules,
  onOpen,
  onNext,
  onRemove,
  ...of
}: Somebody & {
  id: string;
  open: boolean;
  last: boolean;
  rules: RuleSet | null;
  onOpen: () => void;
  onNext: () => void;
  onRemove?: () => void;
}) => {
  const { t } = useTranslation();
  const { form, nth } = of;
  if (!open) return <Closed {...of} id={id} onOpen={onOpen} />;
  return (
    <Card style={{ gap: 12 }}>
      <Heading {...of} id={id} {...(onRemove ? { onRemove } : {})} />
      <FormField form={form} name={`${at(nth)}.name`} label={t('party.name')} most={60} testID={`name-${id}`} />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <FormField form={form} name={`${at(nth)}.age`} label={t('party.age')} numeric most={5} testID={`age-${id}`} />
        </View>
        <View style={{ flex: 1 }}>
          <FormField form={form} name={`${at(nth)}.mass`} label={t('party.mass')} numeric unit="kg" most={8} testID={`mass-${id}`} />
        </View>
      </View>
      <SizeInstead {...of} />
      <Swimming {...of} id={id} />
      <Duties {...of} id={id} rules={rules} />
      {last ? null : <Button mode="outlined" label={t('party.next')} onPress={onNext} testID="next-person" />}
    </Card>
  );
};

/** A weight as it was typed, kilograms; what is no figure yet is shown as it stands. */
const massTyped = (text: string): string => {
  const kg = typedNumber(text);
  return Number.isNaN(kg) ? text.trim() : measures().mass(kg);
};

/** Somebody in a line: who, and what of them matters. */
const Closed = ({ form, nth, id, onOpen }: Somebody & { id: string; onOpen: () => void }) => {
  const { t } = useTranslation();
  const row = useWatch({ control: form.control, name: at(nth) });
  const size = sizeTaken(row);
  const name = row.name.trim() || t('party.person', { n: nth });
  const summary = [
    row.age.trim() ? t('party.years', { n: row.age.trim() }) : '',
    row.mass.trim() ? massTyped(row.mass) : size ? t(`party.size.${size}`) : '',
    row.swims === undefined || row.swims === 'well' ? '' : t(`party.swims.${row.swims}`),
    row.drives ? t('party.drives') : '',
    row.lookout ? t('party.lookout') : '',
  ].filter(Boolean);
  return (
    <Card style={{ padding: 0 }}>
      <ListRow label={`${name}, ${summary.join(', ')}`} onPress={onOpen} testID={`person-${id}`} style={{ padding: 14, gap: 2 }}>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
          <Bold size={18}>{name}</Bold>
          {readDraft(row).ok ? null : <Tag kind="ask">{t('party.incomplete')}</Tag>}
        </View>
        {summary.length > 0 ? <Small>{summary.join(' · ')}</Small> : null}
      </ListRow>
    </Card>
  );
};

const Heading = ({ form, nth, id, onRemove }: Somebody & { id: string; onRemove?: () => void }) => {
  const { t } = useTranslation();
  const typed = useWatch({ control: form.control, name: `${at(nth)}.name` });
  const name = typed.trim() || t('party.person', { n: nth });
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      <SlabBold size={22} heading={3} style={{ flex: 1 }}>
        {name}
      </SlabBold>
      {onRemove ? (
        <IconButton path={mdiClose} label={t('party.remove', { name })} onPress={onRemove} plain testID={`remove-${id}`} />
      ) : null}
    </View>
  );
};

/** A size stands for a mass that nobody wants to say. */
const SizeInstead = (of: Somebody) => {
  const { t } = useTranslation();
  const { form, nth } = of;
  const [age, mass, chosen] = useWatch({ control: form.control, name: [`${at(nth)}.age`, `${at(nth)}.mass`, `${at(nth)}.size`] });
  if (mass.trim() !== '') return null;
  const size = sizeTaken({ age, mass, ...(chosen === undefined ? {} : { size: chosen }) });
  return (
    <View style={{ gap: 6 }}>
      <Small>{t('party.sizeInstead')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('party.sizeInstead')}>
        {SIZES.map((one) => (
          <ChoiceChip
            key={one}
            label={`${t(`party.size.${one}`)} ${measures().figure(SIZE_KG[one][0], 'kg', 0)}–${measures().figure(SIZE_KG[one][1], 'kg', 0)}`}
            on={size === one}
            onPress={() => set(of, 'size', one)}
            testID={`size-${one}`}
          />
        ))}
      </View>
      {size ? (
        <Body>{t('party.sizeTook', { from: measures().figure(SIZE_KG[size][0], 'kg', 0), to: measures().mass(SIZE_KG[size][1]) })}</Body>
      ) : null}
    </View>
  );
};

const Swimming = ({ id, ...of }: Somebody & { id: string }) => {
  const { t } = useTranslation();
  const { form, nth } = of;
  const name = `${at(nth)}.swims` as const;
  const swims = useWatch({ control: form.control, name });
  const { errors } = useFormState({ control: form.control, name });
  const fault = useFaultWords()(errors.rows?.[nth - 1]?.swims as FieldError | undefined);
  return (
    <>
      <Small>{t('party.swimming')}</Small>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}
        role="radiogroup"
        aria-label={t('party.swimming')}
        testID={`swimming-${id}`}
      >
        {SWIMS.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`party.swims.${one}`)}
            on={swims === one}
            onPress={() => set(of, 'swims', one)}
            testID={`swims-${one}`}
          />
        ))}
      </View>
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
    </>
  );
};

const Duties = ({ id, rules, ...of }: Somebody & { id: string; rules: RuleSet | null }) => {
  const { t } = useTranslation();
  const { form, nth } = of;
  const names = [`${at(nth)}.drives`, `${at(nth)}.licence`, `${at(nth)}.lookout`, `${at(nth)}.towed`] as const;
  const [drives, licence, lookout, towed] = useWatch({ control: form.control, name: names });
  const duty = (field: 'drives' | 'licence' | 'lookout' | 'towed', on: boolean | undefined) => (
    <CheckboxRow label={t(`party.${field}`)} on={on === true} onChange={(next) => set(of, field, next)} testID={`${field}-${id}`} />
  );
  return (
    <View style={{ gap: 4 }}>
      {duty('drives', drives)}
      {drives && rules?.driver.licence ? duty('licence', licence) : null}
      {duty('lookout', lookout)}
      {duty('towed', towed)}
    </View>
  );
};
