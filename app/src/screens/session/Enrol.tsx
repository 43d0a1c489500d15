import { enrol } from '@quay/contract/session';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, Refused } from '../../data/api';
import { readFragment } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { Go } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';

/** Enrols this phone with the code a manager shows; the QR code's address carries it in the fragment. */
export const Enrol = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const [code, setCode] = useState(readFragment);
  const [name, setName] = useState<string>(t('enrol.preset'));
  const [fault, setFault] = useState<string>();
  const [done, setDone] = useState(false);
  const go = async () => {
    try {
      setFault(undefined);
      await call(enrol, { body: { code, name } });
      setDone(true);
    } catch (error) {
      setFault(error instanceof Refused ? `${error.problem.title} ${error.problem.detail ?? ''}` : t('signIn.noAnswer'));
    }
  };
  return (
    <Screen
      title={t('enrol.title')}
      onBack={() => router.push('/')}
      measure={560}
      footer={
        done ? (
          <Go label={t('signIn.title')} onPress={() => router.replace('/')} testID="enrolled" />
        ) : (
          <Go label={t('enrol.go')} onPress={() => void go()} disabled={code.trim() === '' || name.trim() === ''} testID="enrol" />
        )
      }
    >
      <View style={{ padding: 16, gap: 14 }}>
        {done ? (
          <Notice kind="ok" title={t('enrol.done')} />
        ) : (
          <>
            <Body>{t('enrol.why')}</Body>
            <Field label={t('enrol.code')} value={code} onChange={setCode} fault={fault} testID="code" />
            <Field label={t('enrol.name')} value={name} onChange={setName} testID="phone-name" />
          </>
        )}
      </View>
    </Screen>
  );
};
