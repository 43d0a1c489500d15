import { copyBoat } from '@quay/contract/newBoat';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useState } from 'react';
import * as z from 'zod/mini';
import { call, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import * as typed from '../../../ui/controls/typed';
import { Body } from '../../../ui/words';

const sisterForm = z.object({ name: typed.words(80, 'newBoat.nameWanted'), hullNumber: typed.words(20, 'newBoat.hullWanted') });

/** A boat that is built as another one: only who she is has to be said. */
export const SisterSheet = ({
  boat,
  onMade,
  onClose,
}: {
  boat: { id: string; name: string };
  onMade: (made: { id: string; name: string }) => Promise<void>;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const [fault, setFault] = useState<string>();
  const form = useSchemaForm(sisterForm, { name: '', hullNumber: '' });
  const name = form.watch('name').trim();
  const go = form.handleSubmit(async (entered) => {
    setFault(undefined);
    try {
      const { id } = await call(copyBoat, { params: { boatId: boat.id }, body: entered });
      await onMade({ id, name: entered.name });
    } catch (error) {
      setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
    }
  });
  return (
    <ModalSheet
      title={t('newBoat.sister', { name: boat.name })}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={name === '' ? t('newBoat.goUnnamed') : t('newBoat.go', { name })}
          onPress={() => void go()}
          busy={form.formState.isSubmitting}
          testID="make-sister"
        />
      }
    >
      <View style={{ gap: 10 }}>
        <Body>{t('newBoat.sisterOf', { name: boat.name })}</Body>
        <FormField form={form} name="name" label={t('newBoat.name')} most={80} testID="sister-name" />
        <FormField form={form} name="hullNumber" label={t('newBoat.hullNumber')} most={20} testID="sister-hull" onEnter={() => void go()} />
        {fault ? <Notice kind="stop" title={fault} /> : null}
      </View>
    </ModalSheet>
  );
};
