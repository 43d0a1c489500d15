import { enrol } from '@quay/contract/session';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { readFragment } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';
import { CodeScanner } from '../../platform/scanner';
import { codeIn } from './enrolCode';

/** Registers this phone with the code a manager shows: scanned, or typed. The QR code's address carries it in the fragment. */
export const Enrol = () => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const router = useRouter();
  const client = useQueryClient();
  const { width } = useRoom();
  const form = useSchemaForm(enrol.body, { code: readFragment(), name: t('enrol.preset') });
  const [fault, setFault] = useState<string>();
  const [scan, setScan] = useState<'off' | 'on' | 'noCamera'>('off');
  const [done, setDone] = useState(false);
  const go = form.handleSubmit(async (entered) => {
    try {
      setFault(undefined);
      await call(enrol, { body: entered });
      await client.invalidateQueries({ queryKey: ['whoSignsIn'] });
      setDone(true);
    } catch (error) {
      setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
    }
  });
  const seen = (text: string) => {
    const code = codeIn(text);
    setFault(code === undefined ? t('enrol.noCode') : undefined);
    if (code === undefined) return;
    setScan('off');
    form.setValue('code', code);
  };
  const typed = form.watch('code') !== '';
  const side = Math.min(width, 560) - 32;
  return (
    <Screen
      title={t('enrol.title')}
      onBack={() => router.push('/')}
      measure={560}
      footer={
        done ? (
          <Button mode="contained" label={t('signIn.title')} onPress={() => router.replace('/')} testID="enrolled" />
        ) : typed || scan !== 'off' ? (
          <Button
            mode="contained"
            label={t('enrol.go')}
            onPress={() => void go()}
            disabled={!typed}
            busy={form.formState.isSubmitting}
            testID="enrol"
          />
        ) : (
          <Button mode="contained" label={t('enrol.scan')} onPress={() => setScan('on')} testID="scan" />
        )
      }
    >
      <View style={{ padding: 16, gap: 14 }}>
        {done ? (
          <Notice kind="ok" title={t('enrol.done')} />
        ) : (
          <>
            <Body>{t('enrol.why')}</Body>
            {scan === 'on' ? (
              <>
                <CodeScanner width={side} height={Math.round(side * 0.9)} onSeen={seen} onFault={() => setScan('noCamera')} />
                <Body>{t('enrol.scanWhy')}</Body>
                <Button mode="outlined" label={t('common.cancel')} onPress={() => setScan('off')} />
              </>
            ) : scan === 'noCamera' ? (
              <Notice kind="ask" title={t('enrol.noCamera')} />
            ) : null}
            <FormField form={form} name="code" label={t('enrol.code')} most={80} fault={fault} testID="code" onEnter={() => void go()} />
            <FormField form={form} name="name" label={t('enrol.name')} most={60} testID="phone-name" onEnter={() => void go()} />
          </>
        )}
      </View>
    </Screen>
  );
};
