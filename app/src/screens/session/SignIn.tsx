import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Refused } from '../../data/api';
import { useSignIn } from '../../data/session';
import { Field } from '../../ui/field';
import { Alt, Go } from '../../ui/press';
import { useTones } from '../../ui/theme';
import { SlabBold } from '../../ui/words';
import { Emblem } from './Emblem';

/** Signing in. Lists no names; says the same for a wrong name as for a wrong PIN. */
export const SignIn = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [secret, setSecret] = useState('');
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const go = async () => {
    if (name.trim() === '' || secret === '') {
      setFault(t('signIn.empty'));
      return;
    }
    setBusy(true);
    setFault(undefined);
    try {
      await signIn(name, secret);
    } catch (error) {
      setFault(
        !(error instanceof Refused)
          ? t('signIn.noAnswer')
          : error.problem.code === 'wrong'
            ? t('signIn.wrong')
            : error.problem.code === 'wrongHere'
              ? t('signIn.wrongHere')
              : `${error.problem.title} ${error.problem.detail ?? ''}`,
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <View role="main" style={{ flex: 1, backgroundColor: tones.ground, justifyContent: 'flex-end', alignItems: 'center' }}>
      <View style={{ flex: 1, width: '100%', minHeight: 150 }}>
        <Emblem />
        <SlabBold size={40} style={{ position: 'absolute', left: 20, top: 22 }}>
          {t('app.name')}
        </SlabBold>
      </View>
      <View style={{ width: '100%', maxWidth: 460, padding: 20, gap: 14 }}>
        <SlabBold size={30} heading={1}>
          {t('signIn.title')}
        </SlabBold>
        <Field label={t('signIn.name')} value={name} onChange={setName} autoComplete="username" testID="name" onEnter={() => void go()} />
        <Field
          label={t('signIn.secret')}
          value={secret}
          onChange={setSecret}
          secret
          autoComplete="current-password"
          testID="secret"
          fault={fault}
          onEnter={() => void go()}
        />
        <Go label={t('signIn.go')} onPress={() => void go()} busy={busy} testID="sign-in" />
        <Alt label={t('signIn.enrol')} onPress={() => router.push('/enrol')} testID="to-enrol" />
      </View>
    </View>
  );
};
