import { keyCode, setKeyCode } from '@quay/contract/keySafe';
import { say } from '@quay/core/words/words';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { Notice, Tag } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, SlabBold, Small } from '../../ui/words';

/** The code of the key safe, for whoever is asked on the telephone; and where no safe makes its own, the place to set it. */
export const KeySheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const [typed, setTyped] = useState('');
  const params = { hireId: view.pack.hire.id };
  // Not a query: the code is asked for each time, and cached nowhere.
  const { mutate: ask, ...asked } = useMutation({ mutationFn: () => call(keyCode, { params }), gcTime: 0 });
  const set = useMutation({
    mutationFn: (code: string) => call(setKeyCode, { params, body: { code } }),
    onSuccess: () => {
      setTyped('');
      snack({ text: t('key.kept') });
      ask();
    },
  });
  useEffect(() => ask(), [ask]);
  const code = asked.data?.is === 'open' ? asked.data : undefined;
  const byHand = asked.data?.is === 'none' || code?.simulated === false;
  const good = /^[0-9A-Za-z]{3,12}$/.test(typed.trim());
  const error = asked.error ?? set.error;
  const where = view.pack.base.keySafe?.where;
  return (
    <ModalSheet
      title={t('key.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        byHand ? (
          <Button
            mode="contained"
            label={t('key.set')}
            disabled={!good}
            busy={set.isPending}
            onPress={() => set.mutate(typed.trim())}
            testID="set-key"
          />
        ) : error ? (
          <Button mode="outlined" label={t('common.again')} onPress={() => ask()} testID="ask-key" />
        ) : null
      }
    >
      {where ? <Body>{say(where, 'en')}</Body> : null}
      {error ? <Notice kind="stop" title={error instanceof NoAnswer ? t('key.offline') : errorWords(error)} /> : null}
      {code ? (
        <View style={{ gap: 6 }} testID="key-code">
          <SlabBold size={44} live style={{ letterSpacing: 3 }}>
            {code.code}
          </SlabBold>
          {code.simulated ? <Tag kind="ask">{t('key.simulated')}</Tag> : null}
        </View>
      ) : null}
      {asked.data?.is === 'none' ? <Notice kind="ask" title={t('key.none')} /> : null}
      {byHand ? (
        <TextField
          label={t('key.code')}
          value={typed}
          onChange={setTyped}
          fault={typed !== '' && !good ? t('key.bad') : undefined}
          testID="key-typed"
        />
      ) : null}
      <Small>{t('key.why')}</Small>
    </ModalSheet>
  );
};
