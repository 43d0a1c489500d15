import { addStaff } from '@quay/contract/session';
import { STAFF_ROLES, secretFits } from '@quay/core/staff/secret';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { call, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { ModalSheet } from '../../ui/controls/modalSheet';
import * as typed from '../../ui/controls/typed';
import { Small } from '../../ui/words';

/** Somebody who begins to work here: their name, what they do, and the PIN or password they first sign in with. */
export const AddPersonSheet = ({ onAdded, onClose }: { onAdded: (name: string) => Promise<unknown>; onClose: () => void }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const [fault, setFault] = useState<string>();
  const schema = useMemo(
    () =>
      z.object({ name: typed.words(80, 'addPerson.nameWanted'), role: z.enum(STAFF_ROLES), secret: z.string() }).check(
        z.check(({ value: { role, secret }, issues }) => {
          if (!secretFits(role, secret))
            issues.push({ code: 'custom', path: ['secret'], message: t(`phones.secretRule.${role}`), input: secret });
        }),
      ),
    [t],
  );
  const form = useSchemaForm(schema, { name: '', role: 'hand' as const, secret: '' } as z.input<typeof schema>);
  const role = form.watch('role');
  const go = form.handleSubmit(async (entered) => {
    setFault(undefined);
    try {
      await call(addStaff, { body: entered });
      await onAdded(entered.name);
    } catch (error) {
      setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
    }
  });
  return (
    <ModalSheet
      title={t('addPerson.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('addPerson.open')}
          onPress={() => void go()}
          busy={form.formState.isSubmitting}
          testID="add-person"
        />
      }
    >
      <View style={{ gap: 10 }}>
        <FormField form={form} name="name" label={t('addPerson.name')} most={80} testID="person-name" />
        <Small>{t('addPerson.role')}</Small>
        <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('addPerson.role')}>
          {STAFF_ROLES.map((one) => (
            <ChoiceChip
              key={one}
              label={t(`phones.roles.${one}`)}
              on={role === one}
              onPress={() => form.setValue('role', one)}
              testID={`role-${one}`}
            />
          ))}
        </View>
        <FormField
          form={form}
          name="secret"
          label={`${t(role === 'hand' ? 'addPerson.pin' : 'addPerson.password')} · ${t(`phones.secretRule.${role}`)}`}
          secret
          numeric={role === 'hand'}
          autoComplete="new-password"
          most={200}
          testID="person-secret"
          onEnter={() => void go()}
        />
        {fault ? <Notice kind="stop" title={fault} /> : null}
      </View>
    </ModalSheet>
  );
};
