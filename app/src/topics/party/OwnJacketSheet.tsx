import type { Person } from '@quay/core/party/people';
import type { RuleSet } from '@quay/core/party/rules';
import { misfit } from '@quay/core/party/suits';
import { isMassRange, type Jacket, JACKET_KINDS, NEWTONS } from '@quay/core/fleet/jacketKinds';
import { typedNumber } from '@quay/core/number/typed';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { CheckboxRow } from '../../ui/controls/checkboxRow';
import { Body, Bold } from '../../ui/words';

const OwnJacketForm = z.object({
  kind: z.enum(JACKET_KINDS),
  /** As the label says; 0 while nothing is chosen. */
  newtons: z.number(),
  from: z.string(),
  to: z.string(),
  read: z.boolean(),
  fits: z.boolean(),
});
type Typed = z.infer<typeof OwnJacketForm>;

/** The jacket that the label describes, once all of it is there. */
const jacketOf = ({ kind, newtons, from, to }: Pick<Typed, 'kind' | 'newtons' | 'from' | 'to'>): Jacket | undefined => {
  const [fromKg, toKg] = [typedNumber(from), typedNumber(to)];
  const marked = NEWTONS.find((one) => one === newtons);
  return isMassRange(fromKg, toKg) && marked !== undefined ? { kind, fromKg, toKg, newtons: marked } : undefined;
};

/** A jacket that somebody brought: what its label says, and that it was read and tried on. It does not count before. */
export const OwnJacketSheet = ({
  name,
  person,
  rules,
  onKeep,
  onClose,
}: {
  name: string;
  person: Person;
  rules: RuleSet;
  onKeep: (jacket: Jacket) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const form = useSchemaForm(OwnJacketForm, { kind: 'foam', newtons: 0, from: '', to: '', read: false, fits: false });
  const { kind, newtons, from, to, read, fits } = form.watch();
  const jacket = jacketOf({ kind, newtons, from, to });
  const not = jacket && misfit(person, jacket, rules);
  const open = [
    jacket ? '' : t('own.lacksLabel'),
    not ? t(`own.not.${not}`) : '',
    read ? '' : t('own.lacksRead'),
    fits ? '' : t('own.lacksFits'),
  ].filter(Boolean);
  const keep = form.handleSubmit((entered) => {
    const whole = jacketOf(entered);
    if (whole && open.length === 0) onKeep(whole);
  });
  const pressed = form.formState.isSubmitted;
  return (
    <ModalSheet
      title={t('own.title', { name })}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('own.keep')} onPress={() => void keep()} testID="own-keep" />}
    >
      <View style={{ gap: 12 }}>
        <Body>{t('own.why')}</Body>
        <Bold>{t('own.kindOf')}</Bold>
        <View role="radiogroup" aria-label={t('own.kindOf')} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {JACKET_KINDS.map((one) => (
            <ChoiceChip
              key={one}
              label={t(`own.kind.${one}`)}
              on={kind === one}
              onPress={() => form.setValue('kind', one)}
              testID={`own-kind-${one}`}
            />
          ))}
        </View>
        <Bold>{t('own.newtons')}</Bold>
        <View role="radiogroup" aria-label={t('own.newtons')} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {NEWTONS.map((one) => (
            <ChoiceChip
              key={one}
              label={`${one} N`}
              on={newtons === one}
              onPress={() => form.setValue('newtons', one)}
              testID={`own-n-${one}`}
            />
          ))}
        </View>
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <FormField form={form} name="from" label={t('own.from')} numeric unit="kg" most={6} testID="own-from" />
          </View>
          <View style={{ flex: 1 }}>
            <FormField form={form} name="to" label={t('own.to')} numeric unit="kg" most={6} testID="own-to" />
          </View>
        </View>
        <CheckboxRow label={t('own.read')} on={read} onChange={(next) => form.setValue('read', next)} testID="own-read" />
        <CheckboxRow label={t('own.fits', { name })} on={fits} onChange={(next) => form.setValue('fits', next)} testID="own-fits" />
        {not ? <Notice kind="stop" title={t(`own.not.${not}`)} /> : null}
        {pressed && open.length > 0 && !not ? <Notice kind="ask" title={open.join(' ')} /> : null}
      </View>
    </ModalSheet>
  );
};
